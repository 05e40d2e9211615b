import fc from 'fast-check';
import { LONG } from './long';

// Properties are tried on many more cases in the long run.
if (LONG) fc.configureGlobal({ numRuns: 5_000 });
