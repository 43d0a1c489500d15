import { run } from './main';

void run();
