import { isSurface } from '~/core/packages/form';
import { padPlaces } from '~/core/packages/placement';
import { halvesOf_m } from '~/core/thermal/surface/jet';
import type { PinBand } from '../hand/bands';
import { airStep } from '../steps/heatSteps';
import { step, type Step } from '../steps/step';
import { hazardsOf, matesOf, type AirSetting, type PhaseRequest } from '../request';
import { AIR } from '../settings';
import { bridgedOnly } from './bridge';
import { isFamily } from './lands';
import { forbids, notes, NOTHING, type Method, type Rule } from './method';

export const hotAir: Method = {
  id: 'hot-air',
  name: 'Hot air over the whole part',
  phases: ['remove', 'reflow', 'fit'],
  about:
    'A nozzle over the part brings every joint up together, warmed from below where a preheater is at hand.',
  failure: 'Small neighbours blow away or let go; lifted a moment early, the slowest pad comes along.',
  leaves: 'Even pads with old solder; the part whole. Neighbours have had a heat cycle too.',
  needs: NOTHING,
  survival: 0.92,
  harm: 0.05,
  hands_s: { once: 150, perPad: 0.5 },
  heat: { kind: 'air' },
  release: 'molten',
  cold: (_, setting) => (setting.kind === 'air' ? shields(setting) : []),
  onLands: (request) => [paste(request)],
  suits: (request) =>
    isSurface(request.site.part) || (request.site.part.family === 'to220' && request.phase === 'remove'),
  rules: (request) => [
    ...(request.stations.length === 0 ? [forbids('No hot-air station is on the bench.')] : []),
    ...bridgedOnly(request),
    ...uncovered(request),
    ...(request.phase === 'fit' && request.site.part.family === 'canElectrolytic'
      ? [notes('Hot air ages a new can: an iron on its two tabs is kinder.')]
      : []),
    ...(isFamily(request, 'connector', 'button')
      ? [notes('Its plastic gives way not far over the solder: stop when it shines or leans.')]
      : []),
    ...(hazardsOf(request).includes('lithium')
      ? [notes('A lithium cell is on this board: it comes off or is shielded before any air.')]
      : []),
  ],
  work: (request, setting, bands) => {
    if (setting.kind !== 'air') throw new Error('hot air was given a hand tool’s setting');
    return [
      airStep(request, setting, bands, {
        title:
          request.phase === 'remove'
            ? 'Hot air until every pad is molten'
            : 'Hot air until every pad has flowed',
        detail: `${approachWords(setting, bands)}${
          request.phase === 'remove'
            ? 'Nozzle level over the middle. Nudge from the planned time on; when the whole part slides and returns, lift it straight up.'
            : 'Nozzle level over the middle. Every joint turns bright and the part settles; then air off, do not touch.'
        }`,
        cautions: ['fume', 'hot-board', 'eyes'],
        ifNotMolten: setting.preheat
          ? 'Air off, preheater left on. Let it come down a minute. Check nozzle, flow and distance; plan again with more warmth from below.'
          : 'Air off. Let it come down a minute. Check nozzle, flow and distance; plan again with the board warmed from below.',
      }),
    ];
  },
};

/** Parts that share a heat and stand wider than any nozzle reaches. */
function uncovered(request: PhaseRequest): Rule[] {
  const mates = matesOf(request);
  const pads = mates.flatMap((m) => padPlaces(m, m.part));
  const spread_m = Math.max(...[0, 1].map((i) => spreadOf(pads.map((p) => [p.x_m, p.y_m][i]!))));
  const covered_m = Math.max(
    0,
    ...request.stations.flatMap((s) => s.nozzles.flatMap((n) => halvesOf_m(n).map((half) => 2 * half))),
  );
  return mates.length > 1 && spread_m > covered_m
    ? [
        notes(
          `These parts stand over ${(spread_m * 1e3).toFixed(0)} mm and the widest nozzle covers ${(covered_m * 1e3).toFixed(0)} mm: circled over all of them, or in a heat each.`,
        ),
      ]
    : [];
}

const spreadOf = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

const shields = (setting: AirSetting): Step[] =>
  setting.shielded
    ? [
        step({
          id: 'shield',
          kind: 'do',
          title: 'Foil over the neighbours',
          detail: `Foil on tape, ${(AIR.foilGap_m * 1e3).toFixed(0)} mm clear of the nozzle’s rim on every side.`,
          why: 'It turns the jet aside: without it a neighbour would pass its limit.',
        }),
      ]
    : [];

/** From where the air comes while the one clock runs: off at first, near once the body has been warmed, if it comes to that. */
function approachWords(setting: AirSetting, bands: readonly PinBand[]): string {
  if (setting.approach_s <= 0) return '';
  const far = (AIR.approachStandoff_m * 1e3).toFixed(0);
  const last_s = Math.max(...bands.map((band) => band.stop_s));
  return last_s <= setting.approach_s
    ? `From ${far} mm the whole time: it melts from there. `
    : `From ${far} mm for the first ${setting.approach_s} s of the clock, then down to ${(setting.standoff_m * 1e3).toFixed(0)} mm. A body that comes up too fast cracks inside. `;
}

const paste = ({ site }: PhaseRequest): Step =>
  isSurface(site.part) && site.part.family === 'bga'
    ? step({
        id: 'paste',
        kind: 'do',
        title: 'Tacky flux on every land',
        detail: 'Thin and even. Balls all there, all of one size, none cold or dented.',
        why: 'Hidden joints cannot be touched up: what is wrong now stays wrong.',
        cautions: ['fume'],
      })
    : step({
        id: 'paste',
        kind: 'do',
        title: 'Paste on every land',
        detail: 'An even, thin print or line; none under the body but on its thermal land.',
        why: 'Hidden joints cannot be touched up: what is wrong now stays wrong.',
        cautions: ['lead', 'fume'],
      });
