import { z } from 'zod';
import { initials, recordId, text, whenever_ms } from '~/schema/values/fields';
import { anyPackage } from '~/schema/values/package';

/** An outline that the bench keeps under a name of its own. */
export const newLibraryPackage = z.strictObject({
  name: text(1, 60),
  package: anyPackage,
  by: initials,
});
export type NewLibraryPackage = z.infer<typeof newLibraryPackage>;

export const libraryPackageRecord = newLibraryPackage.extend({ id: recordId, at_ms: whenever_ms });
export type LibraryPackageRecord = z.infer<typeof libraryPackageRecord>;
