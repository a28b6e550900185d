/** Every table, for the migration generator and the database handle. */
export { boards } from './board';
export { artworks, imports } from './boardImport';
export { faceFindings } from './faceFinding';
export { findings } from './finding';
export { jobs } from './job';
export { libraryPackages } from './libraryPackage';
export { pads } from './pad';
export { photos } from './photo';
export { readings } from './reading';
export { runEvents } from './runEvent';
export { sites } from './site';
export { siteGroups } from './siteGroup';
export { tools } from './tool';
export { stepHabits } from './stepHabit';
export { supplies, supplyMoves } from './supply';
export { recaps } from './recap';
