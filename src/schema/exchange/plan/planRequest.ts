import { z } from 'zod';
import { PREHEATER_IDS } from '~/core/materials/air';
import { GOALS, givesUp, type Phase } from '~/core/method/goals';
import { CONTENTS } from '~/core/record/memoryEntries';
import { METHODS } from '~/core/method/ways';
import type { MethodId } from '~/core/method/ways/method';
import { HAZARDS, WORTHS } from '~/core/method/request';
import { socketFor } from '~/core/packages/socket';
import { padNamesOf } from '~/core/packages/form';
import { PAD_STATE_IDS } from '~/core/record/padStates';
import { connections } from '~/schema/values/connection';
import { oneOf, quantity, text, wholeNumber } from '~/schema/values/fields';
import { placed, room_C } from '../placed';
import { mappedBoard } from '~/schema/values/mappedBoard';
import { moistureInput } from '~/schema/values/moisture';
import { anyPackage } from '~/schema/values/package';
import { partOf } from '../si/part';
import { layersOf, type WithSite } from '../si/connections';
import { polarity } from '~/schema/values/polarity';
import { supplyInput } from '~/schema/values/supplyInput';
import { benchTool, hollow, nozzle, tip } from '~/schema/values/toolSpec';

export const padName = z.string().regex(/^(default|[A-Za-z0-9]{1,8})$/, {
  error: 'is not a pad; give a pin number or "default"',
});

/** Over so many jobs, the mean of how long hands took over the figures, as a logarithm. */
const paceSeen = z.strictObject({ jobs: wholeNumber(0, 100_000), meanLog: quantity('', -5, 5) });

export const siteInput = z.strictObject({
  ...placed,
  package: anyPackage,
  connections: z.record(padName, connections).default({}),
  /** What was last found at its pads. */
  padStates: z.record(padName, oneOf(PAD_STATE_IDS)).default({}),
  /** Leads bent over on the solder side. */
  clinched: z.boolean().default(false),
  /** What its pads are called on the schematic. */
  nets: z.record(padName, text(0, 40)).default({}),
  /** The sign of a part with two poles: its own mark and the board's. */
  polarity: polarity.nullable().default(null),
  /** A part came off and its lands were not dressed since. */
  undressed: z.boolean().default(false),
  /** It was flooded with low-melt alloy that was not wicked off since. */
  lowMeltLeft: z.boolean().default(false),
  /** Of a part that holds any: whether they are kept somewhere else. */
  contents: oneOf(CONTENTS).default('none'),
  moisture: moistureInput.optional(),
});

const neighbourInput = z.strictObject({
  ...placed,
  /** Without one it is a chip of the commonest size. */
  package: anyPackage.optional(),
  connections: z.record(padName, connections).default({}),
  /** It comes off in the same heat. */
  comesToo: z.boolean().default(false),
});

export const preheatInput = z.strictObject({
  kind: oneOf(PREHEATER_IDS),
  setpoint_C: quantity('°C', 40, 350),
  soak_s: quantity('s', 0, 1800),
});
export type PreheatInput = z.infer<typeof preheatInput>;

const lasting = z.strictObject({ mean: quantity('', -12, 12), spread: quantity('', 0, 1) });

/** Joints of a part and of all that stands about it that one plan follows; more would take a machine for minutes. */
export const MOST_JOINTS = 3000;

/** How many joints a neighbour has that are followed; one without a package is a body alone. */
const jointsOf = ({ package: form }: Pick<z.infer<typeof neighbourInput>, 'package'>): number =>
  form ? padNamesOf(partOf(form)).length : 0;

export const planInput = z
  .strictObject({
    ambient_C: room_C,
    board: mappedBoard,
    site: siteInput,
    neighbours: z.array(neighbourInput).max(200).default([]),
    goal: oneOf(GOALS),
    /** What losing the part would weigh. */
    worth: oneOf(WORTHS).default('ordinary'),
    hazards: z.array(oneOf(HAZARDS)).default([]),
    bench: z
      .array(benchTool)
      .min(1, { error: 'is empty; put at least one tool on the bench' })
      .max(400)
      .refine((bench) => bench.some((t) => t.kind !== 'preheater'), {
        error: 'has only preheaters; put an iron, a gun, tweezers or a hot-air station on it',
      }),
    supplies: z.array(supplyInput).max(2000).default([]),
    history: z
      .strictObject({
        padDose: z.union([quantity('', 0, 1e6), z.record(padName, quantity('', 0, 1e6))]).default({}),
        laminateDose: quantity('', 0, 1e6).default(0),
        partCycles: wholeNumber(0, 100).default(0),
      })
      .default({ padDose: {}, laminateDose: 0, partCycles: 0 }),
    /** How methods have gone before on such parts, for whoever does it and for everyone else. */
    record: z
      .array(
        z.strictObject({
          method: text(1, 40),
          jobs: wholeNumber(0, 100_000),
          harmed: wholeNumber(0, 100_000),
          /** The same of everyone else here. */
          others: z
            .strictObject({ jobs: wholeNumber(0, 100_000), harmed: wholeNumber(0, 100_000) })
            .optional(),
        }),
      )
      .max(40)
      .default([]),
    /** How long hands have taken over what they were foretold: the mean logarithm of that ratio over so many jobs. */
    pace: z
      .strictObject({
        own: paceSeen,
        others: paceSeen,
        ways: z
          .array(paceSeen.extend({ method: text(1, 40) }))
          .max(60)
          .default([]),
      })
      .optional(),
    /** What earlier jobs have told of these tips and of this board, in standard deviations of what lasts. */
    learnt: z
      .strictObject({
        tips: z
          .array(
            z.strictObject({
              toolId: text(1, 64),
              tip: z.union([tip, hollow]),
              contact: lasting,
              tipOffset: lasting,
              jobs: wholeNumber(1, 1e6),
            }),
          )
          .max(400),
        copper: lasting,
        /** Jobs on this board that its copper was learnt from. */
        jobs: wholeNumber(0, 1e6),
      })
      .optional(),
    seed: wholeNumber(0, 2 ** 31).default(1),
  })
  .superRefine((input, context) => {
    const part = partOf(input.site.package);
    const pads = padNamesOf(part);
    checkLayers(input, pads, context);
    checkPlace(input, context);
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message, input });
    const joints = input.neighbours.reduce((sum, n) => sum + jointsOf(n), pads.length);
    if (joints > MOST_JOINTS)
      refuse(
        ['neighbours'],
        `and the part have ${joints} joints together; a plan follows ${MOST_JOINTS}: leave out those that stand farthest off`,
      );
    for (const pad of Object.keys(input.site.padStates)) {
      if (!pads.includes(pad))
        refuse(['site', 'padStates', pad], `is no pin of the part; it has pins ${pads[0]} to ${pads.at(-1)}`);
    }
    if (input.goal === 'fit-socket' && !socketFor(part))
      refuse(['goal'], `is "fit-socket", and a ${input.site.package.family} has no socket; give fit`);
    if (input.site.contents === 'only-copy' && givesUp(input.goal))
      refuse(
        ['goal'],
        `is "${input.goal}", and the part holds the only copy of its contents; read it twice and keep them first, or give a goal that keeps the part`,
      );
    input.neighbours.forEach((n, i) => {
      if (n.comesToo && !n.package)
        refuse(
          ['neighbours', i, 'package'],
          'is missing; what comes off too must be known: give its package',
        );
    });
  });
export type PlanInput = z.infer<typeof planInput>;

/** What a technician sets on a tool in the hand. */
export const handSettingInput = z.strictObject({
  kind: z.literal('hand').default('hand'),
  toolId: text(1, 64),
  tip: z.union([tip, hollow]),
  setpoint_C: quantity('°C', 50, 500),
  /** Pins that the station is turned to another temperature for. */
  perPad_C: z.record(padName, quantity('°C', 50, 500)).default({}),
  preheat: preheatInput.nullable(),
  fluxed: z.boolean(),
  freshSolder: z.boolean(),
});
export type HandSettingInput = z.infer<typeof handSettingInput>;

/** What a technician sets for hot air. */
export const airSettingInput = z.strictObject({
  kind: z.literal('air'),
  toolId: text(1, 64),
  nozzle,
  setpoint_C: quantity('°C', 100, 550),
  flow_L_min: quantity('L/min', 1, 400),
  standoff_mm: quantity('mm', 0.5, 100),
  preheat: preheatInput.nullable(),
  approach_s: quantity('s', 0, 600),
  shielded: z.boolean(),
});
export type AirSettingInput = z.infer<typeof airSettingInput>;

export const settingInput = z.union([airSettingInput, handSettingInput]);
export type SettingInput = z.infer<typeof settingInput>;

const METHOD_IDS = METHODS.map((method) => method.id) as [MethodId, ...MethodId[]];

/** A method and its setting for one phase of a job. */
export const choiceInput = z.strictObject({
  phase: oneOf(['remove', 'reflow', 'fit'] as const satisfies readonly Phase[]),
  method: oneOf(METHOD_IDS),
  setting: settingInput,
});
export type ChoiceInput = z.infer<typeof choiceInput>;

/** A part whose middle is beyond the board's edge stands on nothing. */
export function checkPlace(
  {
    board,
    site,
  }: { readonly board: BoardSize; readonly site: { readonly x_mm: number; readonly y_mm: number } },
  context: z.RefinementCtx,
): void {
  for (const [field, at_mm, most_mm] of [
    ['x_mm', site.x_mm, board.length_mm],
    ['y_mm', site.y_mm, board.width_mm],
  ] as const) {
    if (at_mm >= 0 && at_mm <= most_mm) continue;
    const message = `is ${at_mm} mm, beyond the board of ${board.length_mm} × ${board.width_mm} mm; give a place on it`;
    context.addIssue({ code: 'custom', path: ['site', field], message, input: at_mm });
  }
}

type BoardSize = { readonly length_mm: number; readonly width_mm: number };

/** Layers that are named must exist; pads that are named must be pins of the part. */
export function checkLayers(input: WithSite, pads: readonly string[], context: z.RefinementCtx): void {
  const count = input.board.copperLayers.length;
  for (const [pad, list] of Object.entries(input.site.connections)) {
    if (pad !== 'default' && !pads.includes(pad)) {
      context.addIssue({
        code: 'custom',
        path: ['site', 'connections', pad],
        message: `is no pin of the part; it has pins ${pads[0]} to ${pads.at(-1)}`,
        input,
      });
    }
    list.forEach((c) => {
      const beyond = layersOf(c).find((layer) => layer > count);
      if (beyond !== undefined) {
        context.addIssue({
          code: 'custom',
          path: ['site', 'connections', pad, 'layers'],
          message: `names layer ${beyond}; the board has layers 1 to ${count}`,
          input,
        });
      }
    });
  }
}
