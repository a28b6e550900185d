import { solvePieces } from './solvePieces';
import { giveWay, threadPort } from './thread';

giveWay();
solvePieces(threadPort());
