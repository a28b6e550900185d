import { covered } from './covered';

covered(3, 4);
