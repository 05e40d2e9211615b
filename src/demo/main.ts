import { loadNodeEngine } from '@/imaging/node';
import { writeDemo } from './draw';
import { measureDemo } from './measure';

const folder = 'public/demo';
const engine = await loadNodeEngine();
await writeDemo(engine, folder);
await measureDemo(engine, folder);
// The engine's threads keep Node alive after they have nothing left to do.
process.exit(0);
