import type { KeyboardEvent } from 'react';
import type { FaceFindingRecord, FacePoint } from '~/schema/records/board/faceFinding';
import { FACE_STATES, type PlaceKind } from '~/core/record/faceStates';
import type { FaceScale } from './BoardFace';
import { placeInWords } from './facePlaces';
import css from './face.module.css';

interface FaceFindingsProps {
  readonly at: FaceScale;
  readonly findings: readonly FaceFindingRecord[];
  readonly selected: string | null;
  readonly onSelect?: ((id: string) => void) | undefined;
}

/** Lines, points and areas of what was found beside the pads, under the parts and their names. */
export function FaceShapes({ at, findings }: Pick<FaceFindingsProps, 'at' | 'findings'>) {
  return findings.map((finding) => (
    <g key={finding.id} className={FACE_STATES[finding.state].defect ? css['bad'] : css['whole']}>
      <PlaceShape at={at} kind={finding.kind} points={finding.points} />
    </g>
  ));
}

/** The letters of what was found beside the pads, each in its shape, over everything. */
export function FaceFindings({ at, findings, selected, onSelect }: FaceFindingsProps) {
  return (
    <>
      {findings.map((finding) => {
        const state = FACE_STATES[finding.state];
        const middle = markAt(finding);
        return (
          <g
            key={finding.id}
            className={`${css['place']} ${state.defect ? css['bad'] : css['whole']} ${finding.id === selected ? css['chosenPlace'] : ''}`}
          >
            <g
              transform={`translate(${at.x(middle.x_mm)} ${at.y(middle.y_mm)})`}
              {...(onSelect
                ? {
                    role: 'button',
                    tabIndex: 0,
                    'aria-pressed': finding.id === selected,
                    'aria-label': `${placeInWords(finding)}, ${state.name}`,
                    onClick: () => onSelect(finding.id),
                    onKeyDown: (event: KeyboardEvent) => {
                      if (event.key !== 'Enter' && event.key !== ' ') return;
                      event.preventDefault();
                      event.stopPropagation();
                      onSelect(finding.id);
                    },
                  }
                : { pointerEvents: 'none' })}
            >
              <rect
                className={css['placeMark']}
                x={-at.text * 0.6}
                y={-at.text * 0.6}
                width={at.text * 1.2}
                height={at.text * 1.2}
                transform={state.defect ? 'rotate(45)' : undefined}
                rx={state.defect ? 0 : at.text * 0.6}
                strokeWidth={at.text * 0.1}
              />
              <text
                className={css['placeLetter']}
                fontSize={at.text * 0.9}
                textAnchor="middle"
                y={at.text * 0.33}
              >
                {state.letter}
              </text>
            </g>
          </g>
        );
      })}
    </>
  );
}

/** One place as it is drawn, finished or not. */
export function PlaceShape({
  at,
  kind,
  points,
}: {
  at: FaceScale;
  kind: PlaceKind;
  points: readonly FacePoint[];
}) {
  const line = points.map((p) => `${at.x(p.x_mm)},${at.y(p.y_mm)}`).join(' ');
  if (kind === 'via' || points.length === 1) {
    const [p] = points;
    return p ? (
      <>
        {(['placeCase', 'placeLine'] as const).map((layer) => (
          <circle
            key={layer}
            className={css[layer]}
            cx={at.x(p.x_mm)}
            cy={at.y(p.y_mm)}
            r={at.text * 0.6}
            strokeWidth={at.text * (layer === 'placeCase' ? 0.45 : 0.2)}
          />
        ))}
      </>
    ) : null;
  }
  return kind === 'area' ? (
    <>
      <polygon className={css['placeCase']} points={line} strokeWidth={at.text * 0.4} />
      <polygon className={css['placeArea']} points={line} strokeWidth={at.text * 0.18} />
    </>
  ) : (
    <>
      <polyline className={css['placeCase']} points={line} strokeWidth={at.text * 0.55} />
      <polyline className={css['placeLine']} points={line} strokeWidth={at.text * 0.3} />
    </>
  );
}

/** Where the mark of a place stands: on a line's middle; at an area's lower edge, clear of the parts in it and of their names. */
const markAt = ({ kind, points }: FaceFindingRecord): FacePoint =>
  kind === 'area'
    ? points.reduce((a, b) => (b.y_mm < a.y_mm || (b.y_mm === a.y_mm && b.x_mm > a.x_mm) ? b : a))
    : middleOf(points);

const middleOf = (points: readonly FacePoint[]): FacePoint => ({
  x_mm: points.reduce((sum, p) => sum + p.x_mm, 0) / points.length,
  y_mm: points.reduce((sum, p) => sum + p.y_mm, 0) / points.length,
});
