// Writes a 200 × 200 kit file to the path given.
import { writeFileSync } from 'node:fs';
import { kitText } from '../src/kit/exportKit.ts';
import { largeKit } from '../tests/support/largeKit.ts';

const path = process.argv[2];
if (!path) throw new Error('a path is needed');
writeFileSync(path, kitText(largeKit(200, 200)));
