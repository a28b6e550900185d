/** One line of a board's history. */
export interface LedgerLine {
  readonly key: string;
  readonly at_ms: number;
  readonly by: string;
  readonly siteRef: string;
  readonly text: string;
  readonly kind:
    | 'import'
    | 'reading'
    | 'job'
    | 'step'
    | 'passed'
    | 'dwell'
    | 'defect'
    | 'finding'
    | 'note'
    | 'closed'
    | 'correction';
  /** Of a finding: the letter of its state, so that colour is not all that tells it. */
  readonly letter?: string;
  readonly jobId: string | null;
  /** It was taken back: it stays, struck out. */
  readonly struck?: true;
}
