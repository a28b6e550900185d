import { solvePieces } from './solvePieces';
import { threadPort } from './thread';

solvePieces(threadPort());
