import { readMinor } from '@quay/core/money/minor';
import type { FieldPath, FieldValues } from 'react-hook-form';
import * as z from 'zod/mini';
import { type Form, FormField } from '../../ui/controls/form';

/** What somebody typed for a sum, minor units; nothing where it is none. A comma is as good as a point. */
export const sumOf = (text: string, currency: string): number | undefined => readMinor(text.replace(',', '.'), currency);

/** A sum as it is typed, in minor units once it is read. @param fits which of them will do @param words what to say of the others */
export const sumIn = (currency: string, fits: (minor: number) => boolean, words: string) =>
  z.pipe(
    z.string(),
    z.transform((text, context): number => {
      const minor = sumOf(text, currency);
      if (minor !== undefined && fits(minor)) return minor;
      context.issues.push({ code: 'custom', message: words, input: text });
      return z.NEVER;
    }),
  );

export const SumField = <In extends FieldValues, Out>({
  currency,
  ...rest
}: {
  form: Form<In, Out>;
  name: FieldPath<In>;
  label: string;
  beside?: boolean;
  currency: string;
  fault?: string | undefined;
  testID: string;
}) => <FormField {...rest} numeric unit={currency} most={16} />;
