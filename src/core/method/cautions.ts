import { ALLOYS } from '~/core/materials/alloys';
import { spoilsHere, wireOf } from './solders';
import { hazardsOf, type Hazard, type PlanRequest } from './request';

export type CautionId = Hazard | 'lead' | 'bismuth' | 'fume' | 'hot-board' | 'eyes' | 'solvent';

/** Plain words, shown inside the step that meets the danger. Local codes come before all of them. */
export const CAUTIONS: Readonly<Record<CautionId, string>> = {
  lead: 'Leaded solder: no food or drink at the bench, wash hands when you leave it.',
  bismuth: 'Bismuth and lead melt together near 96 °C: such a joint lets go warm. Never both in one joint.',
  fume: 'Flux fume rises into the face: extractor on, head beside the joint and not above it.',
  'hot-board': 'Hot boards stay hot and look the same as cold ones.',
  eyes: 'Cut ends fly, hot flux spits: eye protection on.',
  solvent: 'Solvent vapour beside a hot tool can catch fire: iron in its stand, air moving.',
  'stored-charge':
    'Capacitors here hold charge after power-off. Discharge through a resistor, then measure below 60 V.',
  mains:
    'Mains primary: only unplugged, isolated and discharged, and by people allowed to do this under local rules.',
  eht: 'Very high voltage stays on the tube and its lead for days. Discharge it to its own ground first.',
  lithium: 'A lithium cell must not be heated. Take it out, or keep it away and shielded.',
  'leaking-electrolyte':
    'Leaked electrolyte burns skin and goes on eating copper: gloves, and clean it before heating.',
};

export function cautionsFor(request: PlanRequest): CautionId[] {
  const { alloy } = request.site;
  const leaded = [alloy, wireOf(request)?.alloy ?? alloy].some((id) => ALLOYS[id].leaded)
    ? (['lead'] as const)
    : [];
  const spoils = spoilsHere(request) ? (['bismuth'] as const) : [];
  return [...hazardsOf(request), ...leaded, ...spoils, 'fume', 'hot-board', 'eyes', 'solvent'];
}
