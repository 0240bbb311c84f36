import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const FILES = {
  serif: ['@expo-google-fonts/source-serif-4', '600SemiBold/SourceSerif4_600SemiBold.ttf'],
  sans: [
    '@expo-google-fonts/atkinson-hyperlegible-next',
    '400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  ],
} as const;

/** The file of one of the house's printing fonts. */
export function fontFile(font: keyof typeof FILES): string {
  const [pkg, file] = FILES[font];
  const root = process.env['RUBRICA_ROOT'] ?? process.cwd();
  const here = createRequire(join(/* turbopackIgnore: true */ root, 'package.json'));
  return join(/* turbopackIgnore: true */ dirname(here.resolve(`${pkg}/package.json`)), file);
}
