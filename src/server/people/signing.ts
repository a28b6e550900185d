import type { NewBoardEntry } from '~/schema/records/board/boardEntry';
import type { AppendRequest } from '~/schema/records/jobs/runEvent';

/** Who signs as lead; throws where nobody has. */
type Lead = () => string | null;

/** A hold point passed against is signed by a lead; what the request itself says of that counts nowhere. */
export function overrideSigned(request: AppendRequest, lead: Lead): AppendRequest {
  const { event } = request;
  if (event.kind !== 'step-done' || event.passed?.kind !== 'override') return request;
  const passed = { kind: 'override', reason: event.passed.reason, ...signedBy(lead()) } as const;
  return { ...request, event: { ...event, passed } };
}

/** A board handed back, and an item of work accepted as it is, are signed by a lead. */
export function acceptanceSigned(entry: NewBoardEntry, lead: Lead): NewBoardEntry {
  const { body } = entry;
  if (body.kind !== 'handed-back' && body.kind !== 'settled') return entry;
  const { signedBy: _told, ...rest } = body;
  const accepts = body.kind === 'handed-back' || body.as === 'accepted';
  return { ...entry, body: { ...rest, ...(accepts ? signedBy(lead()) : {}) } };
}

const signedBy = (lead: string | null): { signedBy?: string } => (lead === null ? {} : { signedBy: lead });
