import { csvwOf, writeCsv } from '~/formats/thermalLog/csv';
import { fileAnswer } from '~/server/http/respond';
import { getLog } from '~/server/store/repositories/thermalLogs';

/** A log as a file: `ID.csv`, its sidecar `ID.csv-metadata.json`, or `ID.json` (thermal-profile). */
export const GET = fileAnswer(({ locals, params }) => {
  const file = params['file']!;
  const [, id = '', kind = ''] = /^([A-Za-z0-9_-]+)\.(csv-metadata\.json|csv|json)$/.exec(file) ?? [];
  const { profile } = getLog(locals.db, params['id']!, id);
  switch (kind) {
    case 'csv':
      return { type: 'text/csv; charset=utf-8; header=present', name: file, body: writeCsv(profile) };
    case 'csv-metadata.json':
      return {
        type: 'application/csvm+json; charset=utf-8',
        name: file,
        body: `${JSON.stringify(csvwOf(profile, `${id}.csv`), null, 2)}\n`,
      };
    default:
      return { type: 'application/json; charset=utf-8', name: file, body: `${JSON.stringify(profile)}\n` };
  }
});
