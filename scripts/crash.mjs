// The cook of scripts/crash.sh: edits from several hands until the server is gone, and looks afterwards what is there.
import { readFileSync, writeFileSync } from 'node:fs';

const [base, file, act, round] = process.argv.slice(2);
const hands = 6;

async function send(state, method, path, body, id) {
  const response = await fetch(base + path, {
    method,
    headers: {
      'content-type': 'application/json',
      cookie: Object.entries(state.cookies)
        .map(([name, value]) => `${name}=${value}`)
        .join('; '),
      'X-Antiforgery': state.token ?? '',
      ...(id ? { 'X-Edit-Id': id } : {}),
    },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  for (const cookie of response.headers.getSetCookie()) {
    const [pair] = cookie.split(';');
    state.cookies[pair.slice(0, pair.indexOf('='))] = pair.slice(pair.indexOf('=') + 1);
  }
  return { status: response.status, sequence: response.headers.get('X-Edit-Sequence'), body: JSON.parse((await response.text()) || 'null') };
}

const weekOf = (number) => new Date(Date.UTC(2027, 0, 3 + 7 * number)).toISOString().slice(0, 10);

/** Every edit adds a food of its own to one meal; every fifth is one that must be refused. */
const edit = (state, number, of) => ({
  id: crypto.randomUUID(),
  line: number % 5 === 4 ? `rice ${number}` : `${number + 1} g rice`,
  mayBe: number % 5 !== 4,
  week: weekOf(of),
  to: { date: weekOf(of), meal: 'supper', eaterId: state.eater },
});

const post = (state, one) => send(state, 'POST', `/api/weeks/${one.week}/ready`, { to: one.to, line: one.line, food: null }, one.id);

if (act === 'prepare') {
  const state = { cookies: {} };
  state.token = (await send(state, 'GET', '/api/account')).body.antiforgery;
  await send(state, 'POST', '/api/account/sign-up', {
    name: 'Farah Quillon',
    email: 'farah@port-ansel.example',
    password: 'a long enough one',
    householdName: 'Quillon',
    timeZone: 'Europe/Lisbon',
  });
  state.token = (await send(state, 'GET', '/api/account')).body.antiforgery;
  state.eater = (await send(state, 'GET', '/api/table')).body.eaters[0].id;
  writeFileSync(file, JSON.stringify(state));
} else if (act === 'edit') {
  const state = JSON.parse(readFileSync(file, 'utf8'));
  const done = [];
  let number = 0;
  let isThere = true;
  await Promise.all(
    Array.from({ length: hands }, async () => {
      while (isThere) {
        const one = edit(state, number++, Number(round));
        try {
          const answer = await post(state, one);
          done.push({ ...one, status: answer.status, sequence: answer.sequence });
          if (answer.status >= 500) isThere = false;
        } catch {
          done.push({ ...one, status: 0 });
          isThere = false;
        }
      }
    }),
  );
  writeFileSync(file, JSON.stringify({ ...state, done }));
} else {
  const state = JSON.parse(readFileSync(file, 'utf8'));
  const wrong = [];
  const read = async () =>
    (await send(state, 'GET', `/api/weeks/${weekOf(Number(round))}`)).body.servings.flatMap((serving) => serving.items.map((item) => item.text));
  const before = await read();
  const acknowledged = state.done.filter((one) => one.status === 200);
  for (const one of acknowledged) if (!before.includes(one.line)) wrong.push(`lost: ${one.line}, sequence ${one.sequence}`);
  for (const one of state.done.filter((one) => one.status === 422)) if (before.includes(one.line)) wrong.push(`refused and there: ${one.line}`);
  // Everything is sent again: what was answered, with the same sequence; what was not, is there once after that.
  for (const one of state.done.filter((one) => one.mayBe)) {
    const answer = await post(state, one);
    if (answer.status !== 200) wrong.push(`sent again: ${one.line} answered ${answer.status}`);
    else if (one.sequence && answer.sequence !== one.sequence) wrong.push(`done twice: ${one.line}, ${one.sequence} and ${answer.sequence}`);
  }
  const after = await read();
  const expected = state.done.filter((one) => one.mayBe).length;
  if (after.length !== expected || new Set(after).size !== expected) wrong.push(`${after.length} things for ${expected} edits`);
  console.log(
    `round ${round}: ${acknowledged.length} acknowledged, ${state.done.filter((one) => one.status === 422).length} refused, ${state.done.filter((one) => one.status === 0 || one.status >= 500).length} without an answer`,
  );
  if (wrong.length > 0) {
    console.error(wrong.join('\n'));
    process.exit(1);
  }
}
