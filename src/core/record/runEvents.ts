/**
 * What happens on a job, one entry after another. Entries are never changed; a later `correction`
 * names the entry it puts right.
 */
export type RunEventBody =
  | { readonly kind: 'opened' }
  | { readonly kind: 'step-done'; readonly stepId: string }
  | { readonly kind: 'step-back'; readonly stepId: string }
  | { readonly kind: 'heat-on'; readonly stepId: string; readonly pad: string }
  | { readonly kind: 'melted'; readonly stepId: string; readonly pad: string; readonly elapsed_s: number }
  | { readonly kind: 'heat-off'; readonly stepId: string; readonly pad: string; readonly elapsed_s: number }
  | {
      readonly kind: 'exposure';
      readonly pad: string;
      readonly duration_s: number;
      readonly padDose: number;
      readonly laminateDose: number;
      readonly peak_C: number;
      readonly modelVersion: string;
      /** Pads about it that the same touch warmed, and what it cost them. */
      readonly others?:
        | readonly {
            readonly padId: string;
            readonly padDose: number;
            readonly peak_C: number;
          }[]
        | undefined;
    }
  | { readonly kind: 'note'; readonly text: string }
  | {
      readonly kind: 'correction';
      readonly ofSeq: number;
      readonly elapsed_s: number;
      readonly reason: string;
    }
  | { readonly kind: 'closed'; readonly outcome: string; readonly cause: string };

/** An entry as it stands in the record. */
export type RunEvent = RunEventBody & {
  readonly seq: number;
  readonly at_ms: number;
  readonly by: string;
};
