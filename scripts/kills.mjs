// node scripts/kills.mjs [COUNT]: kills the server COUNT times (1,000 where not said) while eight writers send steps to its
// HTTPS door, and looks after each whether every acknowledged step is there, once. Not part of npm test: it takes a while.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPackages } from './build.mjs';
import { ensureInstalled, root } from './install.mjs';

const COUNT = Number(process.argv[2] ?? 1000);
const WRITERS = 8;
const ADDRESS = '127.0.0.2';
ensureInstalled();
await buildPackages();

const data = mkdtempSync(join(tmpdir(), 'lemniscus-kills-'));
const env = { ...process.env, LEMNISCUS_DATA: data, HOME_ADDRESSES: ADDRESS, PORT: '0', HOME_PORT: '0' };
const make = randomUUID();
let server = null;
let ports = {};

async function start() {
  server = spawn(process.execPath, [join(root, 'server/dist/main.js'), '--empty', '--home'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  while (!/In the house.*:\d+/.test(said)) said += String((await once(server.stdout, 'data'))[0]);
  ports = { here: Number(/127\.0\.0\.1:(\d+)/.exec(said)[1]), house: Number(/127\.0\.0\.2:(\d+)/.exec(said)[1]) };
  env.PORT = String(ports.here);
  env.HOME_PORT = String(ports.house);
}

const here = async (method, path, body) => {
  const answer = await fetch(`http://127.0.0.1:${ports.here}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  });
  return answer.status === 204 ? null : answer.json();
};

/** Asks through the door to the house, the authority trusted; rejects when the server goes. */
const ask = (agent, cookie, path, body) =>
  new Promise((done, fail) => {
    const headers = { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) };
    const asking = request(
      { host: ADDRESS, port: ports.house, path: `/api${path}`, method: 'POST', headers, agent },
      (response) => {
        response.on('data', () => {});
        response.on('end', () => (response.statusCode < 300 ? done(response) : fail(new Error(String(response.statusCode)))));
        response.on('error', fail);
      },
    );
    asking.on('error', fail);
    asking.end(JSON.stringify(body));
  });

async function write(cookie, acknowledged, running) {
  const agent = new Agent({ ca: readFileSync(join(data, 'home/authority.crt')), keepAlive: true });
  for (let n = 0; running.on; n++) {
    const id = randomUUID();
    const event = { id, piece: `float/${1 + (n % 4)}`, at: Date.now(), kind: 'reached', round: 1, action: n % 50 };
    try {
      await ask(agent, cookie, `/makes/${make}/events`, { events: [event] });
      acknowledged.add(id);
    } catch {
      break;
    }
  }
  agent.destroy();
}

async function stored() {
  const ids = [];
  for (let after = 0; ;) {
    const page = await here('GET', `/makes/${make}/events?after=${after}`);
    ids.push(...page.events.map(({ id }) => id));
    if (page.events.length === 0) return ids;
    after = page.last;
  }
}

await start();
await here('POST', '/makes', { id: make, text: '# Float\nR1: 6 sc in ring (6)', yarnWeight: 4, hookMm: 3.5 });
const { open } = await here('GET', '/home');
const first = new Agent({ ca: readFileSync(join(data, 'home/authority.crt')) });
const paired = await ask(first, null, '/pair', { code: open.code, name: 'Writers' });
const cookie = paired.headers['set-cookie'][0].split(';')[0];
const acknowledged = new Set();
let lost = 0;
let doubled = 0;
for (let kill = 1; kill <= COUNT; kill++) {
  const running = { on: true };
  const writers = Array.from({ length: WRITERS }, () => write(cookie, acknowledged, running));
  await new Promise((done) => setTimeout(done, 20 + Math.random() * 200));
  const gone = once(server, 'exit');
  server.kill('SIGKILL');
  await gone;
  running.on = false;
  await Promise.all(writers);
  await start();
  if (kill % 50 === 0 || kill === COUNT) {
    const ids = await stored();
    const kept = new Set(ids);
    lost = [...acknowledged].filter((id) => !kept.has(id)).length;
    doubled = ids.length - kept.size;
    console.log(`${kill} kills: ${acknowledged.size} acknowledged, ${ids.length} stored, ${lost} lost, ${doubled} doubled`);
  }
}
server.kill('SIGKILL');
rmSync(data, { recursive: true });
process.exit(lost + doubled > 0 ? 1 : 0);
