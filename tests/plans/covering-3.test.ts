import { covered } from './covered';

covered(2, 4);
