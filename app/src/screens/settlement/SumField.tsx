import { readMinor } from '@quay/core/money/minor';
import { Field } from '../../ui/field';

/** What somebody typed for a sum, minor units; nothing where it is none. A comma is as good as a point. */
export const sumOf = (text: string, currency: string): number | undefined => readMinor(text.replace(',', '.'), currency);

export const SumField = ({
  label,
  value,
  onChange,
  currency,
  fault,
  testID,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  currency: string;
  fault?: string | undefined;
  testID: string;
}) => <Field label={label} value={value} onChange={onChange} numeric unit={currency} fault={fault} testID={testID} />;
