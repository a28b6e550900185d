import { range } from 'd3-array';
import { useCallback, useId, useMemo, useRef, type MouseEvent, type ReactNode } from 'react';
import { onArrows } from './roving';
import { PAD_STATES } from '~/core/record/padStates';
import { Copper, type CopperPicture } from './Copper';
import { feetAbout, labelsWithRoom } from './labels';
import { halfReach_mm, labelOf, SiteGlyph, type FaceSite } from './SiteGlyph';
import css from './face.module.css';

export type { FaceSite } from './SiteGlyph';

interface BoardFaceProps {
  readonly length_mm: number;
  readonly width_mm: number;
  readonly sites: readonly FaceSite[];
  readonly side: 'top' | 'bottom';
  readonly selected: string | null;
  /** Left out, parts are seen and not chosen: nothing on the face takes the focus. */
  readonly onSelect?: ((id: string) => void) | undefined;
  /** Copper of the shown face, where an import brought it. */
  readonly copper?: CopperPicture | undefined;
  /** Given: the face is looked at closely about these places, not as a whole. */
  readonly about?: readonly { readonly x_mm: number; readonly y_mm: number }[];
  /** Drawn between the board and its sites, and over them, in the face's own coordinates. */
  readonly beneath?: (at: FaceScale) => ReactNode;
  readonly over?: (at: FaceScale) => ReactNode;
  /** Given: the place of a click beside the sites, mm seen from the top. */
  readonly onPoint?: ((x_mm: number, y_mm: number) => void) | undefined;
  /** Given: a double click or Enter after points ends what is drawn. */
  readonly onPointsEnd?: (() => void) | undefined;
}

/** From the board's millimetres to the drawing's: the bottom is mirrored, and a picture counts downward. */
export interface FaceScale {
  readonly x: (x_mm: number) => number;
  readonly y: (y_mm: number) => number;
  readonly mirror: boolean;
  /** Size of a letter. */
  readonly text: number;
}

/** One face of a board to scale. Parts on the other face show as dashed ghosts; the bottom is mirrored. */
export function BoardFace({
  length_mm,
  width_mm,
  sites,
  side,
  selected,
  onSelect,
  copper,
  about,
  beneath,
  over,
  onPoint,
  onPointsEnd,
}: BoardFaceProps) {
  const id = useId();
  const margin = Math.max(length_mm, width_mm) * 0.03;
  const mirror = side === 'bottom';
  const x = (value: number): number => (mirror ? length_mm - value : value);
  const whole: View = {
    x: -margin,
    y: -margin,
    width: length_mm + 2 * margin,
    height: width_mm + 2 * margin,
  };
  const view = about
    ? closeTo(
        about.map((p) => [x(p.x_mm), width_mm - p.y_mm]),
        whole,
      )
    : whole;
  const text = about ? view.height / 20 : Math.max(length_mm / 42, width_mm / 26, 2);
  const grid = length_mm > 120 ? 20 : 10;
  const labelled = useMemo(() => {
    // On a crowded face what the view is not about is left without its name.
    const named = sites.length > CROWD ? sites.filter((site) => !site.faint) : sites;
    const placed = named.map((site) => ({
      site,
      x: mirror ? length_mm - site.x_mm : site.x_mm,
      y: width_mm - site.y_mm,
      half: halfReach_mm(site),
    }));
    const wishes = placed.map(({ site, x, y, half }) => ({
      id: site.id,
      text: labelOf(site),
      feet: feetAbout([x, y], half, labelOf(site), text),
      weight:
        (site.id === selected ? 8 : 0) +
        (site.faint ? 0 : 4) +
        (site.side === side ? 2 : 0) +
        (PAD_STATES[site.worst].defect ? 1 : 0),
    }));
    // Names keep off the parts that stand on this face; those of the other one lie behind it.
    const bodies = placed
      .filter(({ site }) => site.side === side)
      .map(({ site, ...at }) => ({ id: site.id, ...at }));
    return labelsWithRoom(wishes, text, bodies);
  }, [sites, selected, side, text, mirror, length_mm, width_mm]);
  const inView = (site: FaceSite): boolean => {
    const [left, top] = [x(site.x_mm) - view.x, width_mm - site.y_mm - view.y];
    return left >= 0 && left <= view.width && top >= 0 && top <= view.height;
  };
  // One stop for Tab: the chosen part, or the first that is seen; arrows go on from there.
  const seen = sites.filter(inView);
  const tabStop = (seen.find((site) => site.id === selected) ?? seen[0])?.id;
  const latest = useRef(onSelect);
  latest.current = onSelect;
  const select = useCallback((id: string) => latest.current?.(id), []);
  const scale: FaceScale = { x, y: (y_mm) => width_mm - y_mm, mirror, text };
  const pointed = (event: MouseEvent<SVGSVGElement>): void => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!onPoint || !matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const inside = (value: number, most: number): number => Math.min(most, Math.max(0, value));
    onPoint(inside(x(at.x), length_mm), inside(width_mm - at.y, width_mm));
  };
  return (
    <svg
      className={`${css['face']} ${onPoint ? css['pointing'] : ''}`}
      onClick={onPoint ? pointed : undefined}
      onDoubleClick={onPointsEnd}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      onKeyDown={onArrows}
      role="group"
      aria-label={`${side} face, ${length_mm} by ${width_mm} mm`}
    >
      <rect
        className={css['board']}
        width={length_mm}
        height={width_mm}
        rx={1.5}
        strokeWidth={margin * 0.12}
      />
      {copper && <Copper {...copper} length_mm={length_mm} width_mm={width_mm} mirror={mirror} />}
      <g className={css['grid']} strokeWidth={margin * 0.03}>
        {range(grid, length_mm, grid).map((v) => (
          <line key={`x${v}`} x1={x(v)} x2={x(v)} y1={0} y2={width_mm} />
        ))}
        {range(grid, width_mm, grid).map((v) => (
          <line key={`y${v}`} x1={0} x2={length_mm} y1={width_mm - v} y2={width_mm - v} />
        ))}
      </g>
      {/* A photograph ends where the board does. */}
      <clipPath id={`${id}-edge`}>
        <rect width={length_mm} height={width_mm} rx={1.5} />
      </clipPath>
      {beneath && <g clipPath={`url(#${id}-edge)`}>{beneath(scale)}</g>}
      {sites.map((site) => (
        <SiteGlyph
          key={site.id}
          site={site}
          x={x(site.x_mm)}
          y={width_mm - site.y_mm}
          mirror={mirror}
          here={site.side === side && !site.faint}
          chosen={site.id === selected}
          text={text}
          labelX={labelled.has(site.id) ? labelled.get(site.id)![0] - x(site.x_mm) : undefined}
          labelY={labelled.has(site.id) ? labelled.get(site.id)![1] - (width_mm - site.y_mm) : undefined}
          // While places are being pointed at, a part is ground like any other.
          onSelect={onPoint ? null : select}
          stop={onSelect && inView(site) ? (site.id === tabStop ? 'tab' : 'arrow') : undefined}
        />
      ))}
      {over?.(scale)}
    </svg>
  );
}

/** More parts than this make a face crowded. */
const CROWD = 60;

interface View {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A close look is never closer than this. */
const CLOSEST_mm = 24;

/** The part of a face about some places, in its own proportions, with room round them. */
function closeTo(places: readonly (readonly [number, number])[], whole: View): View {
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const shape = whole.width / whole.height;
  const height = Math.min(
    whole.height,
    Math.max(CLOSEST_mm, 1.7 * (y1 - y0) + CLOSEST_mm / 2, (1.4 * (x1 - x0) + CLOSEST_mm / 2) / shape),
  );
  const width = height * shape;
  const inside = (middle: number, size: number, from: number, full: number): number =>
    Math.min(from + full - size, Math.max(from, middle - size / 2));
  return {
    x: inside((x0 + x1) / 2, width, whole.x, whole.width),
    y: inside((y0 + y1) / 2, height, whole.y, whole.height),
    width,
    height,
  };
}
