import sharp from 'sharp';
import { landShapes } from '~/core/packages/form';
import { onBoard } from '~/core/packages/placement';
import { metres, millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { Calibration } from '~/schema/values/calibration';
import type { DemoBoard } from './demoBoard';

/** Pixels for a millimetre in the invented photos; held a little askew, as by hand. */
const SCALE_px = 9;
const ASKEW_deg = 1.4;
const EDGE_px = 70;

/**
 * A picture of an invented board's top face as a phone would take it from above: mask, copper, bodies, and two
 * corners whose places are known. No camera was there; it is drawn from the board's own sites.
 */
export async function photograph({
  board,
  sites,
}: DemoBoard): Promise<{ bytes: Buffer; calibration: Calibration }> {
  const { length_mm, width_mm } = board.construction;
  const [width, height] = [length_mm, width_mm].map((mm) => Math.round(mm * SCALE_px + 2 * EDGE_px)) as [
    number,
    number,
  ];
  const drawn = sites
    .filter((site) => site.side === 'top')
    .map((site) => {
      const part = partOf(site.package);
      const rotation_rad = radians(site.rotation_deg);
      const at = { side: site.side, x_m: metres(site.x_mm), y_m: metres(site.y_mm), rotation_rad };
      const lands = landShapes(part).map((land) => {
        const { x_m, y_m } = onBoard(at, land.x_m, land.y_m);
        return `<circle cx="${millimetres(x_m)}" cy="${width_mm - millimetres(y_m)}" r="${millimetres(Math.min(land.width_m, land.height_m)) / 2}" fill="#b9a37c"/>`;
      });
      const [w, h] = [millimetres(part.body.length_m), millimetres(part.body.width_m)];
      const body =
        part.body.shape === 'can'
          ? `<circle r="${w / 2}" fill="#23262b"/><circle r="${w / 2.4}" fill="#8d9299"/>`
          : `<rect x="${-w / 2}" y="${-h / 2}" width="${w}" height="${h}" fill="#2a2c30"/>`;
      return `${lands.join('')}<g transform="translate(${site.x_mm} ${width_mm - site.y_mm}) rotate(${-site.rotation_deg})">${body}</g>`;
    });
  const turn = `rotate(${ASKEW_deg} ${width / 2} ${height / 2}) translate(${EDGE_px} ${EDGE_px}) scale(${SCALE_px})`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#c9c4ba"/><g transform="${turn}"><rect width="${length_mm}" height="${width_mm}" rx="1.5" fill="#2c5d49"/>${drawn.join('')}</g></svg>`;
  const corner = (x_mm: number, y_mm: number): Calibration['a'] => {
    const angle = radians(ASKEW_deg);
    const [dx, dy] = [
      EDGE_px + x_mm * SCALE_px - width / 2,
      EDGE_px + (width_mm - y_mm) * SCALE_px - height / 2,
    ];
    return {
      px: tenth(width / 2 + dx * Math.cos(angle) - dy * Math.sin(angle)),
      py: tenth(height / 2 + dx * Math.sin(angle) + dy * Math.cos(angle)),
      x_mm,
      y_mm,
    };
  };
  return {
    bytes: await sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer(),
    calibration: { a: corner(0, width_mm), b: corner(length_mm, 0) },
  };
}

const tenth = (px: number): number => Math.round(px * 10) / 10;
