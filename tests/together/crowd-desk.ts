import { randomInt, randomUUID } from 'node:crypto';
import { inTime, pause, Person } from './crowd.ts';
import { visit } from './crowd-house.ts';

const TUS = { 'Tus-Resumable': '1.0.0' };
const PATIENT_MS = 60_000;
const base64 = (text: string): string => Buffer.from(text).toString('base64');

/** Someone at the counter: takes in and hands over, makes links and opens them, writes to customers, photographs. */
export class DeskPerson extends Person {
  /** photos that the house has said it has, by the item they are of */
  readonly photographed: string[] = [];
  /** the last link to a job’s sheet that the house told, by job */
  readonly links = new Map<number, string>();
  readonly signed: number[] = [];
  /** why the last visit was not signed, where it was not */
  refused = '';
  /** what a bench check asks of such an instrument */
  checks: readonly string[] = [];
  picture: Buffer = Buffer.alloc(0);

  protected override async once(until: () => boolean): Promise<void> {
    const what = randomInt(5);
    if (what === 0) await this.photograph(until);
    else if (what === 1) await this.signOne(until);
    else if (what === 2) await this.makeLink(until);
    else if (what === 3) await this.write(until);
    else await this.openLink();
  }

  private async makeLink(until: () => boolean): Promise<void> {
    const { id: jobId } = this.pick(this.jobs);
    const said = await this.give('work.link', { jobId, purpose: 'sheet' }, until);
    if (said?.value?.token !== undefined) this.links.set(jobId, said.value.token);
  }

  private async write(until: () => boolean): Promise<void> {
    const { id: jobId } = this.pick(this.jobs);
    await this.give('desk.message', { jobId, purpose: 'ready', channel: 'mail' }, until);
  }

  /** Opens a link as the customer does; another of the crowd may have made a newer one. */
  private async openLink(): Promise<void> {
    const [token] = [...this.links.values()].slice(-1);
    if (token === undefined) return;
    await inTime(fetch(`${this.base}/sheet/${token}`).then((r) => r.text())).catch(() => null);
  }

  /** A whole visit: in, checked, signed. */
  private async signOne(until: () => boolean): Promise<void> {
    const taken = await this.give(
      'desk.take-in',
      visit(randomUUID(), { name: 'In and out', email: '' }),
      until,
    );
    const jobId = taken?.value?.jobId;
    if (jobId === undefined) return void (this.refused = JSON.stringify(taken));
    const checks = Object.fromEntries(this.checks.map((key) => [key, true]));
    const checked = await this.give(
      'hand-over.check',
      { jobId, version: 0, checks, exception: 'a crowd' },
      until,
    );
    const version = checked?.value?.version;
    if (version === undefined) return void (this.refused = JSON.stringify(checked));
    const done = await this.give(
      'hand-over.sign',
      { jobId, version, signer: 'A customer', signature: null },
      until,
    );
    if (done?.ok === true) this.signed.push(jobId);
    else this.refused = JSON.stringify(done);
  }

  private async asked(path: string, init: RequestInit): Promise<Response> {
    const headers = { ...TUS, origin: this.base, cookie: this.cookie, ...(init.headers as object) };
    const answer = await inTime(fetch(`${this.base}${path}`, { ...init, headers }));
    await answer.text();
    if (answer.status >= 500) throw new Error(`answered ${answer.status}`);
    return answer;
  }

  /** A photo as a tablet sends it: begun, sent, and asked how far it came wherever no answer came. */
  private async photograph(until: () => boolean): Promise<void> {
    const item = `c-${randomUUID().slice(0, 13)}`;
    const began = Date.now();
    let place: string | null = null;
    let refused = false;
    while (!refused && !(Date.now() - began > PATIENT_MS && until())) {
      try {
        if (place === null) {
          const meta = { job: String(this.pick(this.jobs).id), item, filename: 'a.jpg' };
          const made = await this.asked('/api/uploads', {
            method: 'POST',
            headers: {
              'Upload-Length': String(this.picture.length),
              'Upload-Metadata': Object.entries(meta)
                .map(([k, v]) => `${k} ${base64(v)}`)
                .join(','),
            },
          });
          refused = made.status !== 201;
          place = new URL(made.headers.get('location') ?? '', this.base).pathname;
        }
        const { headers, status } = await this.asked(place, { method: 'HEAD' });
        refused ||= status !== 200;
        const at = Number(headers.get('upload-offset'));
        if (!refused && at < this.picture.length) {
          const sent = await this.asked(place, {
            method: 'PATCH',
            headers: { 'Upload-Offset': String(at), 'Content-Type': 'application/offset+octet-stream' },
            body: new Uint8Array(this.picture.subarray(at)),
          });
          if (sent.status !== 204) continue;
        }
        if (!refused) this.photographed.push(item);
        return;
      } catch {
        await pause(150);
      }
    }
  }
}
