// What the commands share: running a step, knowing when it has nothing to do, finding Chromium. Node alone.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command, shows what it says, and gives its exit code with all that it said. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let text = '';
    const take = (to) => (chunk) => {
      text += chunk;
      if (!options.quiet) to.write(chunk);
    };
    child.stdout.on('data', take(process.stdout));
    child.stderr.on('data', take(process.stderr));
    child.on('error', (e) => resolve({ code: 1, text: String(e) }));
    child.on('close', (code) => resolve({ code: code ?? 1, text }));
  });
}
export const npmRun = (script, workspace) =>
  run(npm, ['run', '--silent', script, ...(workspace ? ['-w', workspace] : [])]);

/** Runs a step and ends the command when it fails. */
export async function must(what, step) {
  console.log(`· ${what}`);
  const { code } = await step;
  if (code !== 0) {
    console.error(`${what}: failed. What it said stands above.`);
    process.exit(1);
  }
}

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (['node_modules', 'dist', '.angular', 'built', 'test-results', 'demo'].includes(entry.name)) return [];
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesUnder(path) : [path];
  });
}

/** A hash over the content of files and folders: the same content gives the same stamp. */
export function stampOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths.map((p) => join(ROOT, p)).filter(existsSync)) {
    for (const file of statSync(path).isDirectory() ? filesUnder(path).sort() : [path]) {
      hash.update(relative(ROOT, file)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}
const stampFile = (name) => join(ROOT, 'node_modules', '.ruffle-wheel', name);
export const isDone = (name, stamp) => existsSync(stampFile(name)) && readFileSync(stampFile(name), 'utf8') === stamp;
export function setDone(name, stamp) {
  mkdirSync(dirname(stampFile(name)), { recursive: true });
  writeFileSync(stampFile(name), stamp);
}

/** Installs from the lock file when it has changed since the last time. */
export async function install() {
  const stamp = stampOf(['package-lock.json', 'package.json']);
  if (isDone('install', stamp)) return;
  await must('Installing packages from the lock file', run(npm, ['ci', '--no-audit', '--no-fund']));
  setDone('install', stamp);
}

const onPath = (name) => {
  const found = spawnSync('sh', ['-c', `command -v ${name}`], { encoding: 'utf8' });
  return found.status === 0 ? found.stdout.trim() : null;
};
function findChromium() {
  const asked = process.env.CHROMIUM_PATH;
  if (asked) {
    if (existsSync(asked)) return asked;
    console.error(`CHROMIUM_PATH names ${asked}, and there is no such file.`);
    process.exit(1);
  }
  return onPath('chromium') ?? onPath('chromium-browser') ?? onPath('google-chrome');
}

/** The path of a Chromium; installs Debian's package when there is none and this is root. */
export async function chromium() {
  const found = findChromium();
  if (found) return found;
  if (process.getuid?.() !== 0 || !onPath('apt-get')) {
    console.error(
      'The end-to-end tests need Chromium. Install it (Debian: apt-get install chromium), or set CHROMIUM_PATH.',
    );
    process.exit(1);
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await must('Reading Debian’s package lists', run('apt-get', ['update', '-q'], { env, quiet: true }));
  await must(
    'Installing Chromium',
    run('apt-get', ['install', '-y', '-q', '--no-install-recommends', 'chromium'], { env, quiet: true }),
  );
  return findChromium();
}

const SOURCES = ['package-lock.json', 'tsconfig.base.json', 'core', 'demo', 'server', 'web', 'tools/build.mjs'];
/** Builds everything unless nothing has changed since the last build; gives the exit code. */
export async function build() {
  const stamp = stampOf(SOURCES);
  if (isDone('build', stamp) && existsSync(join(ROOT, 'web/dist/browser/index.html'))) return 0;
  const { code } = await npmRun('build');
  if (code === 0) setDone('build', stamp);
  return code;
}
