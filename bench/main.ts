import { bench } from './run';

await bench(process.argv.slice(2));
