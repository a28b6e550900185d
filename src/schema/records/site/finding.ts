import { z } from 'zod';
import { PAD_STATE_IDS, PAD_STATES } from '~/core/record/padStates';
import { initials, oneOf, recordId, text, whenever_ms } from '~/schema/values/fields';

/** What was seen at one pad, as a person enters it. */
export const newFinding = z
  .strictObject({
    padId: recordId,
    state: oneOf(PAD_STATE_IDS),
    otherPadId: recordId.nullable().default(null),
    foundAs: oneOf(['as-received', 'done-here']),
    jobId: recordId.nullable().default(null),
    /** An earlier finding that was not so: this entry says why, and neither counts. */
    takesBackId: recordId.nullable().default(null),
    note: text(0, 400).default(''),
    by: initials,
  })
  .superRefine((finding, context) => {
    if (finding.takesBackId !== null && finding.note === '') {
      context.addIssue({
        code: 'custom',
        path: ['note'],
        message: 'is empty; say why the finding was not so',
        input: finding,
      });
    }
    const namesOther = finding.takesBackId === null && 'names' in PAD_STATES[finding.state];
    if (namesOther && finding.otherPadId === null) {
      context.addIssue({
        code: 'custom',
        path: ['otherPadId'],
        message: `is missing; "${PAD_STATES[finding.state].name}" names the other pad`,
        input: finding,
      });
    }
    if (finding.otherPadId !== null && finding.otherPadId === finding.padId) {
      context.addIssue({
        code: 'custom',
        path: ['otherPadId'],
        message: 'is the same pad; name the other one',
        input: finding,
      });
    }
  });
export type NewFinding = z.infer<typeof newFinding>;

/** Several findings of one look, written together or not at all. */
export const newFindings = z
  .array(newFinding, { error: 'must be a list of findings' })
  .min(1, { error: 'is empty; give at least one finding' })
  .max(1024, { error: 'has more than 1024 findings; a site has no more pads' });

/** A finding in the record. It is never changed; the next one on the pad follows it. */
export const findingRecord = z.strictObject({
  id: recordId,
  boardId: recordId,
  siteId: recordId,
  padId: recordId,
  state: oneOf(PAD_STATE_IDS),
  otherPadId: recordId.nullable(),
  foundAs: oneOf(['as-received', 'done-here']),
  jobId: recordId.nullable(),
  takesBackId: recordId.nullable(),
  note: text(0, 400),
  by: initials,
  at_ms: whenever_ms,
});
export type FindingRecord = z.infer<typeof findingRecord>;
