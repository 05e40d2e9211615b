import { readFileSync } from 'node:fs';
import * as v from 'valibot';
import { OrderForm } from './forms';
import { houseById } from './houses';
import { takeIn } from './take-in';

// The process that reads one pack: its path is the argument, the order comes on standard input, the answer goes out on
// standard output.
const Asked = v.object({ houseId: v.string(), order: OrderForm });
const { houseId, order } = v.parse(Asked, JSON.parse(readFileSync(0, 'utf8')));
const taken = await takeIn(houseById(houseId)!, order, readFileSync(process.argv[2]!));
process.stdout.write(JSON.stringify(taken));
