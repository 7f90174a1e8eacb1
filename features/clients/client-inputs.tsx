import { TextArea, TextField } from '@/ui/field';
import type { FormState } from '../forms';
import type { ClientField } from './fields';

/** The fields of a client. */
export function ClientInputs({ fields, problems }: Pick<FormState<ClientField>, 'fields' | 'problems'>) {
  return (
    <>
      <TextField
        label="Name"
        name="name"
        defaultValue={fields.name}
        problem={problems.name}
        autoComplete="off"
      />
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="Phone"
          name="phone"
          type="tel"
          defaultValue={fields.phone}
          problem={problems.phone}
          autoComplete="off"
        />
        <TextField
          label="E-mail"
          name="email"
          type="email"
          defaultValue={fields.email}
          problem={problems.email}
          autoComplete="off"
        />
        <TextField
          label="Birthday"
          name="bornOn"
          type="date"
          defaultValue={fields.bornOn}
          problem={problems.bornOn}
          hint="For the age that law asks about."
        />
      </div>
      <TextArea
        label="Note"
        name="note"
        rows={3}
        defaultValue={fields.note}
        problem={problems.note}
        hint="What everyone at the chair should know."
      />
    </>
  );
}
