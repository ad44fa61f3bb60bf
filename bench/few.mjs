/** The size of a measured case: the one that counts, or with BENCH_SMALL=1 one that only shows that it runs. */
export const few = (whole, small) => (process.env.BENCH_SMALL === '1' ? small : whole);
