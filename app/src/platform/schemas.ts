import { config } from 'zod/mini';

// Before any schema is made: without functions made of text, which our content security policy forbids.
config({ jitless: true });
