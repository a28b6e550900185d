import { isSurface, mouldOf } from '~/core/packages/form';
import { bakeAdvice, DRY_REWORK_K, MOST_BAKE_h } from '~/core/packages/moisture';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { wholeCelsius } from '~/core/quantity/convert';
import { keepsPart } from '../goals';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** What has to be known or done about water before a moulded body passes 200 °C. */
export function bakeSteps(phases: readonly PhaseWork[]): Step[] {
  const lives = phases.filter(({ request }) => request.phase !== 'remove' || keepsPart(request.goal));
  const hottest = lives.reduce<PhaseWork | null>((a, b) => (a && a.bodyPeak_K >= b.bodyPeak_K ? a : b), null);
  if (!hottest) return [];
  const { site, moisture } = hottest.request;
  if (!isSurface(site.part) || SURFACE_TRAITS[site.part.family].bodyLimit !== null) return [];
  if (hottest.bodyPeak_K <= DRY_REWORK_K) return [];
  const why = `The body passes 200 °C (about ${wholeCelsius(hottest.bodyPeak_K)} °C): water in it boils and cracks it (J-STD-033).`;
  if (!moisture) {
    return [
      step({
        id: 'moisture',
        kind: 'gate',
        title: 'Its moisture level, before any heat',
        detail: 'Read it from the bag or the maker’s data; past its floor life it is baked first.',
        why,
      }),
    ];
  }
  const advice = bakeAdvice(
    moisture.level,
    mouldOf(site.part),
    moisture.exposed_s,
    hottest.bodyPeak_K,
    moisture.bake_C,
  );
  if (advice.kind === 'none') return [];
  return [
    step({
      id: 'moisture',
      kind: 'gate',
      title:
        advice.kind === 'bake'
          ? `Bake ${advice.hours} h at ${advice.at_C} °C first`
          : 'Bake as its label says',
      detail: `Level ${moisture.level}, ${Math.round(moisture.exposed_s / 3600)} h out of its bag. In trays that stand it, in dry air; no part longer than ${MOST_BAKE_h} h above 90 °C in all, unless its maker says so.`,
      why,
    }),
  ];
}
