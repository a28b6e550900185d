declare module 'plotly.js-cartesian-dist-min' {
  const plotly: typeof import('plotly.js-dist-min');
  export default plotly;
}
