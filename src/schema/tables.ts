/** Every table, for the migration generator and the database handle. */
export { boards } from './board.table';
export { artworks, imports } from './boardImport.table';
export { faceFindings } from './faceFinding.table';
export { findings } from './finding.table';
export { jobs } from './job.table';
export { libraryPackages } from './libraryPackage.table';
export { pads } from './pad.table';
export { photos } from './photo.table';
export { readings } from './reading.table';
export { runEvents } from './runEvent.table';
export { sites } from './site.table';
export { siteGroups } from './siteGroup.table';
export { tools } from './tool.table';
export { stepHabits } from './stepHabit.table';
export { supplies, supplyMoves } from './supply.table';
export { recaps } from './recap.table';
