import { isSurface } from '~/core/packages/form';
import { padOrder, type PhaseRequest, type Setting } from '../request';
import { padsInWords } from '../ways/method';
import { bakeSteps } from './bake';
import { cleanAll, dry, supply, washSteps } from './cleaning';
import { coolSteps } from './coolDown';
import { joinSteps, landless, mendSteps, readSteps } from './damage';
import { dressing, inspectLands } from './dressing';
import { inspectFitted, marking, meter, reballed, seat, trim } from './fitted';
import { hardwareOff, hardwareOn } from './hardware';
import { cautioned, leftLowMelt, solderKind } from './lowMelt';
import type { PhaseWork } from './phaseWork';
import { afterRemoval } from './release';
import { safeSteps } from './safe';
import { spentSteps } from './spent';
import { preheatSteps, setStation, shockSteps } from './station';
import { step, type Step } from './step';

/** The whole job in the trade's order (steps/order), from the plan's own numbers. */
export function stepsFor(phases: readonly PhaseWork[]): Step[] {
  const alone = phases.length === 1;
  const halves = phases.map((phase, i) => {
    const name = (s: Step): Step => (i === 0 ? s : { ...s, id: `${phase.request.phase}-${s.id}` });
    return { work: phaseSteps(phase, alone).map(name), looks: lookingSteps(phase).map(name), phase };
  });
  const last = halves.at(-1)!;
  const runs = last.phase.request.phase !== 'remove';
  return [
    ...safeSteps(phases),
    ...spentSteps(phases),
    ...bakeSteps(phases),
    ...halves.flatMap(({ work, looks }) => (looks === last.looks ? work : [...work, ...looks])),
    cleanAll(),
    ...washSteps(phases),
    dry(phases),
    ...last.looks,
    ...(runs ? [supply()] : []),
  ];
}

/** One half of a job, up to its cleaning. */
function phaseSteps(phase: PhaseWork, alone: boolean): Step[] {
  const { request, method, setting } = phase;
  // What comes off is freed at every pin; a pin without a land is soldered to nothing.
  const lost = request.phase === 'remove' ? new Set<string>() : landless(request);
  const bands = phase.bands.filter(({ pads }) => pads.some((pad) => !lost.has(pad)));
  const work = method.work(request, setting, bands);
  const lastHeat = request.phase === 'fit' ? work.findLastIndex((s) => s.kind === 'heat') : -1;
  const hot = cautioned(
    request,
    work.map((s, i): Step => (i === lastHeat ? { ...s, effect: 'part-on' } : s)),
  );
  const cold = method.cold?.(request, setting) ?? [];
  const soak = preheatSteps(request, setting);
  switch (request.phase) {
    case 'remove':
      return [
        orientation(request),
        ...hardwareOff(request),
        ...cold,
        ...solderKind(request, setting),
        ...shockSteps(phase),
        setStation(setting),
        flux(request, setting),
        ...soak,
        ...hot,
        ...afterRemoval(phase, alone),
      ];
    case 'reflow':
      return [
        ...mendSteps(request),
        ...cold,
        ...solderKind(request, setting),
        ...shockSteps(phase),
        setStation(setting),
        flux(request, setting),
        ...soak,
        ...hot,
        ...joinSteps(request),
        ...coolSteps(phase),
      ];
    case 'fit':
      return [
        ...leftLowMelt(request),
        ...(request.site.undressed || request.site.lowMeltLeft ? dressing(phase) : []),
        ...mendSteps(request),
        marking(request),
        ...cold,
        ...ontoLands(phase),
        ...solderKind(request, setting),
        ...shockSteps(phase),
        setStation(setting),
        ...soak,
        ...hot,
        ...joinSteps(request),
        ...coolSteps(phase),
        ...trim(request),
      ];
  }
}

/** A surface part is set into what lies on its lands; leads are put through and fluxed where they come out. */
function ontoLands({ request, method, setting }: PhaseWork): Step[] {
  const lands = method.onLands?.(request) ?? [flux(request, setting)];
  return isSurface(request.site.part)
    ? [...reballed(request), ...lands, seat(request)]
    : [seat(request), ...lands];
}

/** What is looked at and read at the end of a half, clean. */
function lookingSteps(phase: PhaseWork): Step[] {
  const { request } = phase;
  return request.phase === 'remove'
    ? [inspectLands(request)]
    : [inspectFitted(request), ...readSteps(request), meter(request), ...hardwareOn(request)];
}

const orientation = (request: PhaseRequest): Step =>
  step({
    id: 'orientation',
    kind: 'inspect',
    title: 'Record orientation and marking',
    detail: `Mark of ${request.site.ref} against the mark on the board; a photograph if they disagree.`,
    why: 'Once it is off, the board’s print is all that is left, and prints are wrong more often than parts.',
    picture: true,
  });

const flux = (request: PhaseRequest, setting: Setting): Step =>
  step({
    id: 'flux',
    kind: 'do',
    title: 'Flux',
    detail: `Flux on ${padsInWords(padOrder(request))}${setting.kind === 'hand' && !isSurface(request.site.part) ? ', solder side' : ''}.`,
    why: 'Flux strips the oxide: a dry touch passes heat five to ten times worse.',
    cautions: ['fume'],
  });
