import { covered } from './covered';

covered(1, 4);
