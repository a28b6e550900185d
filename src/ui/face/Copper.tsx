import { useEffect, useState } from 'react';
import { useThemeChange } from '~/ui/theme/useThemeChange';
import css from './face.module.css';

/** Copper of the shown face on a grid, row by row from y = 0; 0 to 255 each. */
export interface CopperPicture {
  readonly nx: number;
  readonly ny: number;
  readonly cells: Uint8Array;
}

interface CopperProps extends CopperPicture {
  readonly length_mm: number;
  readonly width_mm: number;
  readonly mirror: boolean;
}

/** Artwork beneath a board's face, as shades of the theme's copper. */
export function Copper({ nx, ny, cells, length_mm, width_mm, mirror }: CopperProps) {
  const [url, setUrl] = useState<string | null>(null);
  const theme = useThemeChange();
  useEffect(() => setUrl(pictureOf({ nx, ny, cells })), [nx, ny, cells, theme]);
  if (!url) return null;
  return (
    <image
      className={css['copper']}
      href={url}
      width={length_mm}
      height={width_mm}
      preserveAspectRatio="none"
      transform={mirror ? `translate(${length_mm} 0) scale(-1 1)` : undefined}
    />
  );
}

/** The board counts rows from below, a picture from above. */
function pictureOf({ nx, ny, cells }: CopperPicture): string | null {
  const canvas = document.createElement('canvas');
  canvas.width = nx;
  canvas.height = ny;
  const context = canvas.getContext('2d');
  if (!context) return null;
  const [r, g, b] = copperColour();
  const image = context.createImageData(nx, ny);
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const at = 4 * ((ny - 1 - j) * nx + i);
      image.data[at] = r;
      image.data[at + 1] = g;
      image.data[at + 2] = b;
      image.data[at + 3] = cells[j * nx + i]!;
    }
  }
  context.putImageData(image, 0, 0);
  return canvas.toDataURL();
}

function copperColour(): [number, number, number] {
  const probe = document.createElement('canvas').getContext('2d');
  const named = getComputedStyle(document.documentElement).getPropertyValue('--copper').trim();
  if (!probe || !named) return [184, 115, 51];
  probe.fillStyle = named;
  probe.fillRect(0, 0, 1, 1);
  const [r, g, b] = probe.getImageData(0, 0, 1, 1).data;
  return [r!, g!, b!];
}
