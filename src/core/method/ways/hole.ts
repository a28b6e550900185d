import { isSurface } from '~/core/packages/form';
import type { HandTool } from '../bench';
import { holeTouch, throughHole } from '../hand/holeTouch';
import type { HandHeat } from '../hand/handTrial';
import { tipForOne } from '../limits/habits';
import { padOrder, type PhaseRequest } from '../request';
import { step, type Step } from '../steps/step';
import { GUN } from './data';

/** What the methods for leads through holes share. */

export const hasHoles = ({ site }: PhaseRequest): boolean => !isSurface(site.part);

/** An iron on every pin in turn, ground pins last. */
export const EACH_HOLE: HandHeat = {
  kind: 'hand',
  key: 'iron, hole by hole',
  toolsOf: (request) => request.irons,
  touchesOf: (request, setting) => padOrder(request).map((pad) => holeTouch(request, setting, pad)),
  freshSolder: true,
  tipFor: ({ site }) => tipForOne(site.part),
};

/** The same on stubs, once the body is cut away. */
export const EACH_STUB: HandHeat = {
  ...EACH_HOLE,
  key: 'iron, stub by stub',
  touchesOf: (request, setting) =>
    padOrder(request).map((pad) => holeTouch(request, setting, pad, { stub: true })),
};

/** Nozzles that go over the lead with room to move, and stand on the land. */
export function fittingNozzles(request: PhaseRequest, gun: HandTool): HandTool['tips'] {
  const { leadDiameter_m, landDiameter_m } = throughHole(request.site);
  const least_m = leadDiameter_m + GUN.room.value;
  return gun.tips.filter(
    (tip) => tip.shape === 'hollow' && tip.inner_m >= least_m - 1e-9 && tip.inner_m < landDiameter_m - 0.1e-3,
  );
}

/** Leads that are bent over are cut before anything is hot: cold mechanical work, and no land is pulled by them. */
export const clinchedFirst = ({ site }: PhaseRequest): Step[] =>
  site.clinched
    ? [
        step({
          id: 'clinched',
          kind: 'do',
          title: 'Cut the clinched leads flush',
          detail: 'Flush cutters along the pad, never levered up while cold.',
          why: 'A bent lead pulled through tears the barrel out with it.',
          cautions: ['eyes'],
        }),
      ]
    : [];
