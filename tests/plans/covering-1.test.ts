import { covered } from './covered';

covered(0, 4);
