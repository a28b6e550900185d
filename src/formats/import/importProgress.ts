/** How far an import is. */
export interface ImportProgress {
  readonly doing: string;
  readonly done: number;
  readonly of: number;
}
