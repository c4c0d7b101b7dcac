// Steps of npm test and npm run check: commands, some at a time, what they say kept together, passes and failures counted.
import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { constants, setPriority } from 'node:os';
import { root } from './install.mjs';

export class Steps {
  passed = 0;
  failed = 0;

  /**
   * Runs a command; what it says is told when it ends, or at once when it is `aloud`. One that is `behind` gives way to what
   * runs beside it and minds being held up.
   * @returns whether it went well
   */
  async run(name, command, args, { env = {}, aloud = false, behind = false } = {}) {
    const began = Date.now();
    const stdio = aloud ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'];
    const child = spawn(command, args, { cwd: root, stdio, env: { ...process.env, ...env } });
    if (behind && child.pid) setPriority(child.pid, constants.priority.PRIORITY_LOW);
    const said = [];
    child.stdout?.on('data', (data) => said.push(data));
    child.stderr?.on('data', (data) => said.push(data));
    const ok = await new Promise((done) => {
      child.on('error', () => done(false));
      child.on('close', (status) => done(status === 0));
    });
    const words = Buffer.concat(said).toString().trim();
    console.log(`\n— ${name}: ${Math.round((Date.now() - began) / 1000)} s${words ? `\n${words}` : ''}`);
    return ok;
  }

  /** A command that is one check by itself. */
  async check(name, command, args, options) {
    this.count(await this.run(name, command, args, options));
  }

  count(ok) {
    if (ok) this.passed++;
    else this.failed++;
  }

  /** Adds a runner's own counts; a runner that fails without a failed test counts as one. */
  add(ok, { passed, failed }) {
    this.passed += passed;
    this.failed += failed || (ok ? 0 : 1);
  }

  /** Says the sum last, and ends this process. */
  end() {
    console.log(`\n${this.passed} passed, ${this.failed} failed`);
    process.exit(this.failed === 0 ? 0 : 1);
  }
}
