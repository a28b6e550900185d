import { TWO_ROWS } from '~/core/packages/families';
import type { Guess } from '~/core/packages/recognise/seen';
import { millimetres } from '~/core/quantity/convert';
import type { AnyPackageInput } from '~/schema/values/package';

/** Records that were made: thousands of a board's parts are of a few dozen kinds, and what is one is sent to the page once. */
const made = new WeakMap<object, AnyPackageInput>();

/** A recognised part as its record: what is usual is left out, lengths to a thousandth of a millimetre. */
export function inputOf(guess: Guess): AnyPackageInput {
  const known = made.get(guess);
  if (known) return known;
  const input = recordOf(guess);
  made.set(guess, input);
  return input;
}

function recordOf(guess: Guess): AnyPackageInput {
  if (guess.kind === 'through-hole') {
    const { family, pins, places_m, pitch_m, rowSpacing_m, leadDiameter_m, holeDiameter_m, landDiameter_m } =
      guess.part;
    return {
      family,
      pins,
      pitch_mm: thousandths(pitch_m),
      ...(places_m
        ? {
            pinPlaces_mm: places_m.map(({ x_m, y_m }): [number, number] => [
              thousandths(x_m),
              thousandths(y_m),
            ]),
          }
        : {}),
      ...(TWO_ROWS.has(family) || family === 'dsub' ? { rowSpacing_mm: thousandths(rowSpacing_m) } : {}),
      leadDiameter_mm: thousandths(leadDiameter_m),
      holeDiameter_mm: thousandths(holeDiameter_m),
      landDiameter_mm: thousandths(landDiameter_m),
    };
  }
  const { spec } = guess;
  const length = (key: string, value_m: number | undefined) =>
    value_m === undefined ? {} : { [key]: thousandths(value_m) };
  return {
    family: spec.family,
    ...(spec.code ? { code: spec.code } : {}),
    ...(spec.pins === undefined || spec.family === 'bga' ? {} : { pins: spec.pins }),
    ...(spec.sidePins === undefined ? {} : { sidePins: spec.sidePins }),
    ...(spec.rows === undefined ? {} : { rows: spec.rows }),
    ...(spec.columns === undefined ? {} : { columns: spec.columns }),
    ...length('pitch_mm', spec.pitch_m),
    ...length('bodyLength_mm', spec.length_m),
    ...length('bodyWidth_mm', spec.width_m),
    ...length('bodyDiameter_mm', spec.diameter_m),
    ...length('span_mm', spec.span_m),
    ...(spec.thermalPad_m ? length('thermalPad_mm', spec.thermalPad_m) : {}),
  };
}

const thousandths = (length_m: number): number => Math.round(millimetres(length_m) * 1000) / 1000;
