export const EVENT_VERSION = 1;

/** So many older events one may name: more than a stop has entries, and few enough that none weighs as much as a record. */
export const MOST_REFERENCES = 200;
