import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

let data: string;
let running: ChildProcess[] = [];

beforeEach(async () => {
  data = await mkdtemp(join(tmpdir(), 'lemniscus-main-'));
});

afterEach(async () => {
  for (const each of running) each.kill('SIGKILL');
  running = [];
  await rm(data, { recursive: true });
});

/** Starts the built program; gives its address, or what it said before it gave up. */
async function start(port = '0'): Promise<{ server: ChildProcess; said: string }> {
  const env = { ...process.env, PORT: port, LEMNISCUS_DATA: data };
  const server = spawn(process.execPath, [join(import.meta.dirname, '../dist/main.js'), '--empty'], {
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.push(server);
  const said = await new Promise<string>((resolve) => {
    server.stdout.once('data', (chunk: Buffer) => resolve(chunk.toString().trim()));
    server.stderr.once('data', (chunk: Buffer) => resolve(chunk.toString().trim()));
  });
  return { server, said };
}

describe('the program', () => {
  it('says its address, answers a request under way when told to stop, and ends well', async () => {
    const { server, said } = await start();
    const port = Number(/http:\/\/127\.0\.0\.1:(\d+)$/.exec(said)![1]);
    const body = JSON.stringify({
      id: '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111',
      text: 'R1: 6 sc in ring',
      yarnWeight: 4,
      hookMm: 3.5,
    });
    const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
    const sending = request({ port, host: '127.0.0.1', path: '/api/makes', method: 'POST', headers });
    sending.write(body.slice(0, 20));
    await new Promise((resolve) => setTimeout(resolve, 100));
    server.kill('SIGTERM');
    await new Promise((resolve) => setTimeout(resolve, 100));
    sending.end(body.slice(20));
    const [response] = (await once(sending, 'response')) as [{ statusCode: number; resume: () => void }];
    response.resume();
    expect(response.statusCode).toBe(201);
    const [code] = (await once(server, 'exit')) as [number | null];
    expect(code).toBe(0);
  });

  it('says what to do when the port is taken, or PORT is no port', async () => {
    const first = await start();
    const port = /:(\d+)$/.exec(first.said)![1]!;
    expect((await start(port)).said).toBe('The port is taken by another program. Set PORT to another number, such as PORT=4601.');
    expect((await start('tea')).said).toContain('PORT is “tea”: give a number from 0 to 65535.');
  });
});
