declare module 'bessel' {
  export function besselk(x: number, order: number): number;
}
