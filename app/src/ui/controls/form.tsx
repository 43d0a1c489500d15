import { zodResolver } from '@hookform/resolvers/zod';
import type { ComponentProps } from 'react';
import {
  Controller,
  type DefaultValues,
  type FieldError,
  type FieldPath,
  type FieldValues,
  useForm,
  type UseFormReturn,
} from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import type * as z from 'zod/mini';
import { TextField } from './textField';

/** What Zod says where nobody told it words. */
const UNSAID = 'Invalid input';

/** What is typed into a form, and what its schema makes of it. */
export type Form<In extends FieldValues, Out> = UseFormReturn<In, unknown, Out>;

/** Says in words what a schema found. A schema of our own names a word of the catalogue; one of the contract only says what is wrong. */
export const useFaultWords = () => {
  const { t, i18n } = useTranslation();
  return (fault: FieldError | undefined): string | undefined => {
    if (!fault) return undefined;
    // What a schema made for this form says is said as it is, or names a word of the catalogue.
    const { message } = fault;
    if (message !== undefined && message !== '' && message !== UNSAID) return i18n.exists(message) ? t(message as 'form.needed') : message;
    return t(fault.type === 'too_small' ? 'form.needed' : fault.type === 'too_big' ? 'form.tooLong' : 'form.wrong');
  };
};

/**
 * A form whose fields are checked by a schema: by the contract's own where what is typed is what is sent. What is wrong is
 * said again whenever somebody tries to go on.
 */
export const useSchemaForm = <In extends FieldValues, Out>(
  schema: z.ZodMiniType<Out, In>,
  defaultValues: NoInfer<DefaultValues<In>>,
  /** When it is first said what is wrong with a field: once it was left, or while it is typed, for figures of a few digits. */
  said: 'onceLeft' | 'whileTyped' = 'onceLeft',
): Form<In, Out> =>
  useForm<In, unknown, Out>({
    resolver: zodResolver(schema),
    defaultValues,
    mode: said === 'onceLeft' ? 'onTouched' : 'onChange',
    shouldFocusError: false,
  });

type FormFieldProps<In extends FieldValues, Out> = Omit<ComponentProps<typeof TextField>, 'value' | 'onChange' | 'fault'> & {
  form: Form<In, Out>;
  name: FieldPath<In>;
  /** What is wrong beyond what the schema can know. */
  fault?: string | undefined;
};

/** A field of a form; what is wrong with it is said right under it. */
export const FormField = <In extends FieldValues, Out>({ form, name, fault, ...rest }: FormFieldProps<In, Out>) => {
  const faultWords = useFaultWords();
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          {...rest}
          value={String(field.value ?? '')}
          onChange={field.onChange}
          onBlur={field.onBlur}
          fault={fault ?? faultWords(fieldState.error)}
        />
      )}
    />
  );
};
