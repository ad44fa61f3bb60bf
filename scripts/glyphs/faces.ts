import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { GlobalFonts } from '@napi-rs/canvas';

/** Typefaces that signs are learnt from, by their packages: none of those that labels held apart are set in. */
const PACKAGES = `
  anonymous-pro anton asap-condensed barlow barlow-condensed bebas-neue cabin courier-prime cousine dm-mono dm-sans
  encode-sans-condensed exo-2 fira-code fira-sans-condensed inconsolata inter jost kanit karla lato lexend libre-franklin
  manrope montserrat open-sans orbitron oswald pathway-gothic-one poppins pt-mono public-sans quantico rajdhani
  red-hat-display russo-one sometype-mono sora source-code-pro space-grotesk space-mono teko work-sans`
  .trim()
  .split(/\s+/);

/** Cuts of their plain letters, from book to black. */
const PLAIN_CUT = /-latin-[4-9]00-normal\.woff2$/;

/**
 * Makes the typefaces known to the canvas, and names their cuts.
 *
 * @param folder - where their packages are kept; what is missing is installed into it
 */
export function learntFaces(folder: string): { readonly cuts: readonly string[]; readonly packages: number } {
  mkdirSync(folder, { recursive: true });
  const wanted = PACKAGES.map((name) => `@fontsource/${name}`);
  const install = ['install', '--prefix', folder, '--ignore-scripts', '--no-audit', '--no-fund', ...wanted];
  execFileSync('npm', install, { stdio: 'inherit' });
  const cuts = PACKAGES.flatMap((name) => {
    const files = join(folder, 'node_modules', '@fontsource', name, 'files');
    return readdirSync(files)
      .filter((file) => PLAIN_CUT.test(file))
      .filter((file) => GlobalFonts.registerFromPath(join(files, file), file) !== null);
  });
  return { cuts, packages: PACKAGES.length };
}
