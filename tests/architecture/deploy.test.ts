/** What ships beside the application is whole: the service's unit, the container's file, the names they use. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needProgram } from '../../cli/base/packages.ts';

const read = (file: string): string => readFileSync(join(process.cwd(), file), 'utf8');

test('the unit is read by systemd without a word', () => {
  const analyze = needProgram('systemd-analyze', 'systemd');
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-unit-'));
  // The program it starts stands elsewhere here, and nobody has its account.
  const here = read('deploy/rubrica.service')
    .replaceAll('/opt/rubrica', process.cwd())
    .replace('User=rubrica', 'User=root');
  writeFileSync(join(folder, 'rubrica.service'), here);
  const { status, stdout, stderr } = spawnSync(analyze, ['verify', join(folder, 'rubrica.service')], {
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true, force: true });
  expect([status, stdout, stderr]).toEqual([0, '', '']);
});

test('unit and container start what there is, where the page on running says', () => {
  const page = read('docs/running.md');
  const main = read('cli/main.ts');
  for (const file of ['deploy/rubrica.service', 'deploy/Containerfile']) {
    expect(page).toContain(file);
    expect(read(file)).toContain('RUBRICA_HOME=/var/lib/rubrica');
  }
  for (const [, command = ''] of page.matchAll(/^(?:\S+=\S+ )?\.\/rubrica (\w+)/gm))
    expect(main).toContain(`  ${command}: () =>`);
});

test('the one command installs nothing anew where only the packages that run it are there', () => {
  const { dependencies } = JSON.parse(read('package.json')) as { dependencies: Record<string, string> };
  const programs = [...read('rubrica').matchAll(/node_modules\/\.bin\/([\w-]+)/g)].map(([, name]) => name);
  expect(programs).not.toEqual([]);
  expect(Object.keys(dependencies)).toEqual(expect.arrayContaining(programs));
});

test('the Node that the packages bring is one, of the version the application asks for', () => {
  const { optionalDependencies, engines } = JSON.parse(read('package.json')) as {
    optionalDependencies: Record<string, string>;
    engines: { node: string };
  };
  const brought = new Set(Object.values(optionalDependencies));
  expect([...brought]).toEqual([process.versions.node]);
  expect(`>=${parseInt([...brought][0] ?? '', 10)}`).toBe(engines.node);
  expect(read('rubrica')).toContain(`is_node node ${engines.node.slice(2)} 0`);
  const folders = [...read('rubrica').matchAll(/node_modules\/(node-linux-\w+)/g)].map(([, name]) => name);
  expect(folders.sort()).toEqual(Object.keys(optionalDependencies));
});
