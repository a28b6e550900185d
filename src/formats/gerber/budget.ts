import type { Shape } from '~/core/artwork/shapes';

/** Corners of one file: some 200,000 tracks. A file of more is no board of this trade. */
const MOST_CORNERS = 8_000_000;

/** What a file may still lay down; asked before anything is made. */
export class Budget {
  private left = MOST_CORNERS;
  private spent = false;

  get isSpent(): boolean {
    return this.spent;
  }

  /** Throws an Error in the words of the file's fault where there is no room for so many corners. */
  take(corners: number): void {
    this.left -= corners;
    if (this.left >= 0) return;
    this.spent = true;
    throw new Error(`draws more than ${MOST_CORNERS / 1e6} million corners; the rest is left out`);
  }

  takeShapes(shapes: readonly Shape[]): void {
    for (const { contour } of shapes) this.take(contour.length / 2);
  }
}
