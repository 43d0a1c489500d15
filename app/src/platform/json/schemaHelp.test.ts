import { jsonLanguage } from '@codemirror/lang-json';
import { Text } from '@codemirror/state';
import { BoatBook } from '@quay/core/fleet/book';
import * as z from 'zod/mini';
import { placeOf, spanOf } from './places';
import { type JsonSchema, namesAt, saidOf, schemasAt, valuesAt } from './schemaHelp';

const schema = z.toJSONSchema(BoatBook, { io: 'input', unrepresentable: 'any' }) as JsonSchema;

describe('what a schema says of a place', () => {
  it('names what may stand in a book, what is needed first among it, and nothing twice', () => {
    const names = namesAt(schema, { id: 'wren', tanks: [] }, []);
    expect(names.map(({ name }) => name)).toEqual(expect.arrayContaining(['class', 'base', 'plan', 'points']));
    expect(names.map(({ name }) => name)).not.toContain('tanks');
    expect(names.find(({ name }) => name === 'class')).toMatchObject({ needed: true });
    expect(names.find(({ name }) => name === 'points')).toMatchObject({ needed: false });
  });

  it('tells of several kinds only the one that a thing is', () => {
    const book = { plan: { lengthM: 5, beamM: 2, strokes: [{ draw: 'ring' }, { draw: 'box' }, {}] } };
    const at = (i: number) =>
      namesAt(schema, book, ['plan', 'strokes', i])
        .map(({ name }) => name)
        .sort();
    expect(at(0)).toEqual(['at', 'radius', 'tone']);
    expect(at(1)).toEqual(['at', 'size', 'tone']);
    expect(at(2)).toEqual(['at', 'closed', 'draw', 'points', 'radius', 'size', 'tone']);
    expect(valuesAt(schema, book, ['plan', 'strokes', 2, 'draw'])).toEqual(['path', 'box', 'ring']);
  });

  it('goes through a schema that stands on itself as deep as a book does', () => {
    const when = (deep: number): JsonSchema[] =>
      schemasAt(schema, undefined, ['conditions', 'dusk', ...Array.from({ length: deep }, () => ['all', 0]).flat()]);
    expect(when(0).length).toBeGreaterThan(3);
    expect(when(5)).toHaveLength(when(0).length);
  });

  it('says bounds, and none where no figure comes near them', () => {
    const [length] = schemasAt(schema, undefined, ['plan', 'lengthM']);
    expect(saidOf(length!)).toEqual({ is: 'figure', from: 1, to: 60 });
    const whole = z.toJSONSchema(z.int()) as JsonSchema;
    expect(saidOf(whole)).toEqual({ is: 'figure' });
    expect(saidOf({ enum: ['a', 'b'] })).toEqual({ is: 'one', of: ['a', 'b'] });
    expect(saidOf({})).toBeUndefined();
  });
});

describe('places of a JSON text', () => {
  const text = Text.of(['{', '  "name": "Wren",', '  "tanks": [{ "id": "petrol" }, { "id": "water", "capacityL": 40 }],', '  "pl', '}']);
  const whole = text.toString();
  const tree = jsonLanguage.parser.parse(whole);
  const spanned = (path: (string | number)[]) => {
    const { from, to } = spanOf(tree, text, path);
    return whole.slice(from, to);
  };

  it('a path leads to what it names, or to the nearest thing around it', () => {
    expect(spanned(['name'])).toBe('"Wren"');
    expect(spanned(['tanks', 1, 'capacityL'])).toBe('40');
    expect(spanned(['tanks'])).toBe('"tanks"');
    expect(spanned(['tanks', 1, 'holds'])).toBe('{');
    expect(spanned([])).toBe('{');
    expect(spanOf(jsonLanguage.parser.parse(''), Text.empty, ['a'])).toEqual({ from: 0, to: 0 });
  });

  it('a place has the path of what is around it', () => {
    const at = (needle: string, into: number) => placeOf(tree, text, whole.indexOf(needle) + into);
    expect(at('40', 1)).toMatchObject({ path: ['tanks', 1, 'capacityL'], is: 'value' });
    expect(at('"capacityL"', 4)).toMatchObject({ path: ['tanks', 1], is: 'name' });
    expect(at('"Wren"', 3)).toMatchObject({ path: ['name'], is: 'value' });
    expect(at('"pl', 3)).toMatchObject({ path: [], is: 'name' });
  });
});
