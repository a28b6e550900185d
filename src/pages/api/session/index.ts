import { credentials } from '~/schema/records/people/person';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { doorOf, insideOf } from '~/server/people/bench';
import { dropCookie, SESSION_COOKIE, setCookie } from '~/server/people/cookie';
import { endAllSessions, endSession, openSession } from '~/server/store/repositories/sessions';

/** Signs in. */
export const POST = endpoint(async (context) => {
  const { db } = context.locals;
  const person = await doorOf(context.locals).admit(
    parseInput(credentials, await readJson(context)),
    context.locals.address,
  );
  setCookie(context, openSession(db, person.id, Date.now()));
  return { initials: person.initials, name: person.name, role: person.role };
}, 201);

/** Signs out here, or with `?everywhere` wherever one is signed in. */
export const DELETE = endpoint((context) => {
  const { db } = context.locals;
  const { person } = insideOf(context.locals);
  if (context.url.searchParams.has('everywhere')) endAllSessions(db, person.id);
  else endSession(db, context.cookies.get(SESSION_COOKIE)!.value);
  dropCookie(context);
  return {};
});
