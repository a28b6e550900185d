/** The daily copies of a bench's database, as the Rig tells of them. */
export interface BackupsKept {
  readonly on: boolean;
  readonly kept: number;
  readonly newest_ms: number | null;
  /** The folder beside the database, by its name alone. */
  readonly folder: string;
  /** The last copy could not be made. */
  readonly failed: boolean;
}
