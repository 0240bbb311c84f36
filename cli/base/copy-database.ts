import { spawn } from 'node:child_process';
import { reach } from '../../src/server/backup/client-program.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { needProgram } from './packages.ts';
import { Trouble } from './say.ts';

/** Makes a database anew and fills it with everything that stands in another one of the same server. */
export async function copyDatabase(from: string, to: string): Promise<void> {
  const [a, b] = [reach(from), reach(to)];
  const admin = openDatabase(to.replace(/\/[^/]*$/, '/information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS \`${b.name}\``);
  await admin.sequelize.query(
    `CREATE DATABASE \`${b.name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  );
  await admin.sequelize.close();
  const [dump, load] = [
    needProgram('mariadb-dump', 'mariadb-client'),
    needProgram('mariadb', 'mariadb-client'),
  ];
  const reader = spawn(
    dump,
    [...a.args, '--single-transaction', '--quick', '--hex-blob', '--triggers', a.name],
    {
      env: { ...process.env, MYSQL_PWD: a.password },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  const writer = spawn(load, [...b.args, '--max-allowed-packet=64M', b.name], {
    env: { ...process.env, MYSQL_PWD: b.password },
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  reader.stdout.pipe(writer.stdin);
  let words = '';
  for (const p of [reader, writer]) p.stderr.on('data', (d: Buffer) => (words += d.toString()));
  const ended = (p: typeof reader | typeof writer): Promise<number> =>
    new Promise((resolve, reject) => {
      p.once('error', reject);
      p.once('exit', (code) => resolve(code ?? 1));
    });
  const codes = await Promise.all([ended(reader), ended(writer)]);
  if (codes.some((c) => c !== 0)) throw new Trouble(`the database could not be copied:\n${words}`);
}
