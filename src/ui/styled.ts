import type { CSSProperties } from 'react';

/**
 * Sets what only figures know, such as a place along an axis, on the element that it is given to as `ref`. The content
 * policy lets no style stand in the text of a page, so it is not drawn by the server but set here.
 */
export const styled =
  (style: CSSProperties) =>
  (element: (HTMLElement | SVGElement) | null): void => {
    if (element) Object.assign(element.style, style);
  };
