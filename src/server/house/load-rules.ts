import { gatewaySchema, rulesSchema, type GatewaySettings } from '../../contracts/house-rules.ts';
import type { HandOverRules } from '../../core/hand-over/rules.ts';
import type { Database } from '../db/connection.ts';

type Settings = readonly { readonly name: string; readonly value: unknown }[];

/** How the shop hands over, out of its settings; what ships where it has said nothing. */
export const rulesOf = (settings: Settings): HandOverRules =>
  rulesSchema.parse(settings.find((s) => s.name === 'hand-over rules')?.value ?? {});

/** What the stand-in gateway does, out of the shop's settings. */
export const gatewayOf = (settings: Settings): GatewaySettings =>
  gatewaySchema.parse(settings.find((s) => s.name === 'message gateway')?.value ?? {});

/** Both, with their versions. */
export async function loadRules({ models }: Pick<Database, 'models'>) {
  const rows = await models.Setting.findAll({ where: { name: ['hand-over rules', 'message gateway'] } });
  const version = (name: string) => rows.find((r) => r.name === name)?.version ?? 0;
  return {
    rules: rulesOf(rows),
    rulesVersion: version('hand-over rules'),
    gateway: gatewayOf(rows),
    gatewayVersion: version('message gateway'),
  };
}
