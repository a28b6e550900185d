/**
 * What rides along when a page or a thread is loaded: only imports that load something count, types load nothing.
 * @type {import('dependency-cruiser').IConfiguration}
 */
const { options } = require('./.dependency-cruiser.cjs');

/** Views that parse something a person or a file gives: forms, drafts that survive a reload, photos. */
const PARSES = '(import|intake|photos|plan|rig|run|board|check)';

module.exports = {
  forbidden: [
    {
      name: 'no-table-in-a-page',
      comment: 'tables and Drizzle stay on the server',
      severity: 'error',
      from: { path: '^src/(islands|ui)/', pathNot: '\\.test\\.tsx?$' },
      to: { reachable: true, path: ['\\.table\\.ts$', 'drizzle-orm'] },
    },
    {
      name: 'no-zod-in-a-view-that-parses-nothing',
      severity: 'error',
      from: { path: '^src/(islands|ui)/', pathNot: ['\\.test\\.tsx?$', `^src/islands/${PARSES}/`] },
      to: { reachable: true, path: 'node_modules/zod/' },
    },
    {
      name: 'threads-carry-no-schema',
      comment: 'loading them would delay the first answer',
      severity: 'error',
      from: {
        path: '^src/(server/plans/planner/(plan|piece)\\.thread|workers/heat\\.worker)\\.ts$',
      },
      to: { reachable: true, path: ['node_modules/(zod|drizzle-orm|papaparse)/', '^src/formats/'] },
    },
  ],
  options: { ...options, tsPreCompilationDeps: false, doNotFollow: { path: 'node_modules' } },
};
