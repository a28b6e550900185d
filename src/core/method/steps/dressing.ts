import { isSurface } from '~/core/packages/form';
import { wholeCelsius } from '~/core/quantity/convert';
import { isHurt, PAD_STATES } from '~/core/record/padStates';
import { padOrder, type PhaseRequest, type PlanSite } from '../request';
import { padsInWords } from '../ways/method';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** What a site needs between a part and the next: lands flat, holes clear, looked at and read. */
export function dressing(phase: Pick<PhaseWork, 'request' | 'setting' | 'bands'>): Step[] {
  const { site } = phase.request;
  const order = padOrder(phase.request);
  const whole = order.filter((pad) => !isHurt(site.padStates[pad]));
  const hurt = order.filter((pad) => isHurt(site.padStates[pad]));
  const holes = !isSurface(site.part);
  return [
    step({
      id: 'dress',
      kind: 'do',
      title: holes ? 'Clear the holes' : 'Clean the pads',
      detail: [
        whole.length > 0 &&
          (holes
            ? `Pump or wick ${padsInWords(whole)} clear; pads flat.`
            : `Wick ${landsInWords(site, whole)} flat; never drag braid across dry.`),
        ...hurt.map((pad) => {
          const state = PAD_STATES[site.padStates[pad]!].name.toLowerCase();
          return `Pin ${pad}, ${state}: last, braid laid still with flux, no suction, no drag.`;
        }),
        touchWords(phase),
      ]
        .filter(Boolean)
        .join(' '),
      why: holes
        ? 'A clear hole takes the new lead without pushing the barrel out.'
        : 'A flat pad lets the new part lie down.',
      cautions: ['fume'],
    }),
  ];
}

/** Looked at and read, clean, before anything hides it. */
export const inspectLands = ({ site }: PhaseRequest): Step =>
  step({
    id: 'inspect',
    kind: 'inspect',
    title: 'Inspect before anything hides it',
    detail: `${isSurface(site.part) ? 'Pads flat and bonded, no bridge; vias and tracks whole where the body hid them' : 'Rings whole, pads bonded, holes open to the far side, no bridge'}. Each pad to its next point by meter, against what was read cold. Mark what you find.`,
    why: 'A lifted pad found now is a small repair; found after the new part hides it, it is a fault.',
  });

/** "all 64 lands", "the field of 256 lands, row by row": what braid goes over. */
function landsInWords({ part }: PlanSite, pads: readonly string[]): string {
  if (pads.length === 1) return `pad ${pads[0]}`;
  const balls = isSurface(part) && part.family === 'bga';
  return balls ? `the field of ${pads.length} pads, row by row,` : `all ${pads.length} pads`;
}

/** How hot and how long, and what it costs: one more touch like the one the plan has for these lands. */
function touchWords({ setting, bands }: Pick<PhaseWork, 'setting' | 'bands'>): string | null {
  if (setting.kind !== 'hand' || bands.length === 0) return null;
  const stop_s = Math.min(...bands.map((band) => band.stop_s));
  const share = Math.max(...bands.map((band) => band.padDose.p50));
  return `At ${wholeCelsius(setting.setpoint_K)} °C, no pad longer than ${stop_s.toFixed(1)} s at a time; reckon it as one more touch, about ${sharesInWords(share)} of a pad’s budget.`;
}

const sharesInWords = (share: number): string =>
  share < 0.01 ? 'less than 1 %' : `${Math.round(100 * share)} %`;
