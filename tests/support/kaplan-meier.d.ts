/** What is used of a package that has no types of its own. */
declare module 'kaplan-meier/dist/index.js' {
  interface Step {
    readonly t: number;
    /** Whether something ended then. */
    readonly e: boolean;
    readonly s: number;
  }
  const kaplanMeier: {
    readonly init: (helpers: object) => void;
    readonly compute: (times: readonly number[], events: readonly boolean[]) => readonly Step[];
  };
  export default kaplanMeier;
}
