import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunEvent, RunEventBody } from '~/core/record/runEvents';
import type { RunStep } from '~/core/record/runState';
import type { UnsentEntry } from '~/schema/records/jobs/unsent';
import { keptOutbox } from '~/schema/records/jobs/unsent';
import {
  acknowledged,
  added,
  dropped,
  EMPTY_OUTBOX,
  enteredAgain,
  provisional,
  refused,
  restored,
  type Outbox,
} from './outbox';

const STEPS = [
  { id: 'flux', kind: 'act', title: 'Flux' },
  { id: 'heat-1', kind: 'heat', title: 'Heat pin 1' },
  { id: 'lift', kind: 'act', title: 'Lift' },
] as unknown as readonly RunStep[];

let lastId = 0;
const press = (event: UnsentEntry['event']): UnsentEntry => ({
  clientId: `press-${++lastId}`,
  by: 'MK',
  at_ms: 1000 * lastId,
  event,
});
const story = (...bodies: RunEventBody[]): RunEvent[] =>
  bodies.map((body, i) => ({ ...body, seq: i + 1, at_ms: i, by: 'HL' }));
const OPENED: RunEventBody = { kind: 'opened' };
const AT_HEAT: RunEventBody[] = [OPENED, { kind: 'step-done', stepId: 'flux' }];

const heat = (): UnsentEntry[] => [
  press({ kind: 'heat-on', stepId: 'heat-1', pad: '1' }),
  press({ kind: 'melted', stepId: 'heat-1', pad: '1', elapsed_s: 2.01 }),
  press({ kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 3.03 }),
];
const boxOf = (...entries: UnsentEntry[]): Outbox => entries.reduce(added, EMPTY_OUTBOX);

describe('presses made while the server was away (findings A2)', () => {
  it('are all kept and sent when another screen only wrote a note', () => {
    const box = boxOf(...heat());
    const events = story(...AT_HEAT, { kind: 'note', text: 'solder runs' });
    expect(refused(box, STEPS, { kind: 'others-first', events })).toEqual(box);
  });

  it('that cannot follow what another did are set aside with a reason; those that can go on', () => {
    const note = press({ kind: 'note', text: 'smells of fish' });
    const box = boxOf(...heat(), note);
    // The other screen went on to the next step.
    const events = story(...AT_HEAT, { kind: 'step-done', stepId: 'heat-1' });
    const after = refused(box, STEPS, { kind: 'others-first', events });
    expect(after.unsent).toEqual([note]);
    expect(after.aside.map(({ event }) => event.kind)).toEqual(['heat-on', 'melted', 'heat-off']);
    expect(after.aside[0]!.reason).toMatch(/stands at step/);
    expect(after.aside[2]!.reason).toMatch(/not under heat/);
  });

  it('one that is not taken for itself stands aside alone, and the rest goes on', () => {
    const box = boxOf(...heat());
    const after = refused(box, STEPS, { kind: 'not-taken', reason: 'text is too long' });
    expect(after.unsent).toEqual(box.unsent.slice(1));
    expect(after.aside).toMatchObject([{ reason: 'text is too long' }]);
  });

  it('are never lost and never doubled, whatever others write in between', () => {
    const bodies = fc.constantFrom<UnsentEntry['event']>(
      { kind: 'step-done', stepId: 'flux' },
      { kind: 'step-done', stepId: 'heat-1' },
      { kind: 'heat-on', stepId: 'heat-1', pad: '1' },
      { kind: 'melted', stepId: 'heat-1', pad: '1', elapsed_s: 2 },
      { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 3 },
      { kind: 'note', text: 'x' },
    );
    const act = fc.oneof(
      bodies.map((event) => ({ do: 'press' as const, event })),
      bodies.map((event) => ({ do: 'other' as const, event })),
      fc.constant({ do: 'send' as const }),
    );
    fc.assert(
      fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
        let box = EMPTY_OUTBOX;
        let known = story(OPENED);
        const server = story(OPENED);
        const [pressed, written] = [new Set<string>(), new Set<string>()];
        for (const a of acts) {
          if (a.do === 'press') {
            const entry = press(a.event);
            pressed.add(entry.clientId);
            box = added(box, entry);
          } else if (a.do === 'other') {
            server.push({ ...a.event, seq: server.length + 1, at_ms: 0, by: 'HL' });
          } else if (box.unsent[0]) {
            const [first] = box.unsent;
            if (known.length === server.length) {
              server.push(provisional(first, server));
              written.add(first.clientId);
              box = acknowledged(box, first.clientId);
            } else box = refused(box, STEPS, { kind: 'others-first', events: server });
            known = [...server];
          }
        }
        const here = [...box.unsent, ...box.aside].map((u) => u.clientId);
        expect(new Set(here).size).toBe(here.length);
        expect(new Set([...here, ...written])).toEqual(pressed);
        expect(here.some((id) => written.has(id))).toBe(false);
      }),
      { seed: 20, numRuns: 300 },
    );
  });
});

describe('what was set aside', () => {
  it('can be entered again as it was pressed, under a number of its own, or let go', () => {
    const box = refused(boxOf(...heat()), STEPS, { kind: 'not-taken', reason: 'no' });
    const [aside] = box.aside;
    const again = enteredAgain(box, aside!.clientId, 'anew');
    expect(again.aside).toEqual([]);
    expect(again.unsent.at(-1)).toEqual({
      clientId: 'anew',
      by: 'MK',
      at_ms: aside!.at_ms,
      event: aside!.event,
    });
    expect(dropped(box, aside!.clientId)).toEqual({ unsent: box.unsent, aside: [] });
  });

  it('is kept through a reload before what was pressed since, each once, and parsed when read back', () => {
    const kept = refused(boxOf(...heat()), STEPS, { kind: 'not-taken', reason: 'no' });
    const since = added(boxOf(...kept.unsent), press({ kind: 'note', text: 'x' }));
    const both = restored(since, kept);
    expect(both.unsent).toEqual(since.unsent);
    expect(both.aside).toEqual(kept.aside);
    expect(keptOutbox.parse(structuredClone(kept))).toEqual(kept);
    expect(keptOutbox.safeParse({ unsent: [{ event: 'what' }], aside: [] }).success).toBe(false);
  });
});
