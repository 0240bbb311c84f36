import type { Construction } from '../core/instrument/construction.ts';
import { stringSet } from '../core/instrument/string-set.ts';
import type { Kind } from '../core/instrument/kinds.ts';

export interface DemoInstrument {
  readonly owner: string;
  readonly kind: Kind;
  readonly maker: string;
  readonly model: string;
  readonly year: string;
  readonly serial: string;
  readonly facts?: Partial<Construction>;
}

const one = (
  owner: string,
  kind: Kind,
  maker: string,
  model: string,
  year: string,
  serial: string,
  facts?: Partial<Construction>,
): DemoInstrument => ({ owner, kind, maker, model, year, serial, ...(facts ? { facts } : {}) });

/** The instruments of the demo shop: invented makers and models. */
export const DEMO_INSTRUMENTS: readonly DemoInstrument[] = [
  one('Petra Aldous', 'steel-acoustic', 'Wendlow', 'Otter', '2009', 'WO-09417'),
  one('Henrik Tarn', 'solid-electric', 'Kestrow', 'Plank', '1998', 'K98-2213'),
  one('Mirela Osk', 'twelve-string', 'Orlan', 'Dozen', '2015', 'OR12-0398'),
  one('Jonah Petrel', 'bass', 'Kestrow', 'Deep Four', '2004', 'KB4-0412'),
  one('Saskia Dunmore', 'archtop', 'Aldra', 'Vestibule', '1962', 'AV-0409'),
  one('Leif Arbury', 'steel-acoustic', 'Orlan', 'Fieldside', '2018', 'OR-0414'),
  one('Amara Quill', 'nylon', 'Aldra', 'Corda', '1987', 'AC-0420'),
  one('Bastien Roe', 'semi-hollow', 'Kestrow', 'Lantern', '2011', 'KL-0422'),
  one('Yusra Hale', 'ukulele', 'Marl', 'Pebble tenor', '2020', 'MP-0419'),
  one('Ottilie Crane', 'nylon', 'Marl', 'Student', '2016', 'MS-0416'),
  one('Dag Winterby', 'bass', 'Kestrow', 'Deep Five', '2019', 'KB5-0405', {
    vibrato: 'none',
    electronics: 'active',
    strings: stringSet('B0:130w E1:105w A1:85w D2:65w G2:45w'),
  }),
  one('Noor Ashgrove', 'steel-acoustic', 'Wendlow', 'Heron', '1994', 'WH-0401'),
  one('Casimir Bloom', 'solid-electric', 'Kestrow', 'Swing', '2007', 'KS-0396', { vibrato: 'floating' }),
  one('Petra Aldous', 'ukulele', 'Marl', 'Pebble concert', '2012', 'MP-0391'),
  one('Henrik Tarn', 'steel-acoustic', 'Wendlow', 'Otter', '2021', 'WO-21008'),
  one('Amara Quill', 'twelve-string', 'Orlan', 'Dozen', '2002', 'OR12-0021'),
  one('Leif Arbury', 'solid-electric', 'Aldra', 'Bracket', '1979', 'AB-7914', { leftHanded: true }),
  one('Saskia Dunmore', 'semi-hollow', 'Kestrow', 'Lantern', '2001', 'KL-0107'),
  one('Yusra Hale', 'bass', 'Orlan', 'Low Road', '2014', 'OL-1402'),
  one('Bastien Roe', 'archtop', 'Aldra', 'Vestibule', '1971', 'AV-7103'),
  one('Casimir Bloom', 'steel-acoustic', 'Wendlow', 'Heron', '1988', 'WH-8833'),
  one('Jonah Petrel', 'twelve-string', 'Orlan', 'Dozen', '2011', 'OR12-1107'),
  one('Ottilie Crane', 'steel-acoustic', 'Wendlow', 'Otter', '2015', 'WO-15032'),
  one('Mirela Osk', 'steel-acoustic', 'Wendlow', 'Otter', '1997', 'WO-97720'),
];
