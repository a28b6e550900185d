/** Every table, for the migration generator and the database handle. */
export { boards } from './board';
export { artworks, imports } from './boardImport';
export { findings } from './finding';
export { jobs } from './job';
export { pads } from './pad';
export { runEvents } from './runEvent';
export { sites } from './site';
export { tools } from './tool';
