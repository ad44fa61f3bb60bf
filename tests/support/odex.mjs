// A door of its own, so that the typings beside it are read and not the package's.
export { Solver } from 'odex';
