import { writeDemo } from './draw';

await writeDemo('public/demo');
// The engine's threads keep Node alive after they have nothing left to do.
process.exit(0);
