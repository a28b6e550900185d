/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    db: import('./server/store/db').Db;
    planner: import('./server/plans/planner/planner').Planner;
    /** The workshop's own evidence. */
    evidence: import('./server/outcomes/evidenceDesk').EvidenceDesk;
    costs: import('./server/jobs/costs').Costs;
    hub: import('./server/instruments/hub').InstrumentHub;
    draws: import('./server/jobs/draws').Draws;
    lessons: import('./server/rig/lessons').Lessons;
    /** Who asks; null on a bench that nobody signs in to. */
    person: import('./server/store/repositories/sessions').SignedIn | null;
    /** Where it comes from, as the connection itself says. */
    address: string;
    /** Where people sign in; null where nobody does. */
    door: import('./server/people/door').Door | null;
    nightly: import('./server/store/nightly').Nightly;
  }
}

declare module '*.module.css' {
  const classes: Readonly<Record<string, string>>;
  export default classes;
}
