/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    db: import('./server/store/db').Db;
    planner: import('./server/plans/planner/planner').Planner;
    costs: import('./server/jobs/costs').Costs;
    nightly: import('./server/store/nightly').Nightly;
  }
}

declare module '*.module.css' {
  const classes: Readonly<Record<string, string>>;
  export default classes;
}
