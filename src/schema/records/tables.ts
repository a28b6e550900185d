/** Every table, for the migration generator and the database handle. */
export { boards } from './board/board.table';
export { artworks, imports } from './board/boardImport.table';
export { faceFindings } from './board/faceFinding.table';
export { findings } from './site/finding.table';
export { jobs } from './jobs/job.table';
export { libraryPackages } from './parts/libraryPackage.table';
export { pads } from './site/pad.table';
export { photos } from './board/photo.table';
export { continuityReadings } from './site/continuityReading.table';
export { runEvents } from './jobs/runEvent.table';
export { sites } from './site/site.table';
export { siteGroups } from './board/siteGroup.table';
export { tools } from './rig/tool.table';
export { stepHabits } from './jobs/stepHabit.table';
export { supplies, supplyMoves } from './rig/supply.table';
export { recaps } from './jobs/recap.table';
export { boardEntries } from './board/boardEntry.table';
export { people, sessions } from './people/person.table';
