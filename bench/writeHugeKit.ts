// Writes the largest kit that is promised to stay usable, 5,000 cards, 200 bodies, 10,000 tests and 20 plans, to the path given.
import { writeFileSync } from 'node:fs';
import { kitText } from '../src/kit/exportKit.ts';
import { hugeKit } from '../tests/support/hugeKit.ts';

const path = process.argv[2];
if (!path) throw new Error('a path is needed');
writeFileSync(path, kitText(await hugeKit(process.env.BENCH_SMALL === '1' ? 50 : 1)));
