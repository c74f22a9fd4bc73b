import { SelectField } from './Field';

/** Narrows a list to one species, or to none. */
export function KindField({
  value,
  kinds,
  onChange,
}: {
  /** Empty for all. */
  value: string;
  kinds: readonly (readonly [key: string, name: string])[];
  onChange: (key: string) => void;
}) {
  return (
    <SelectField label="Species" boxClass="w-44" value={value} onChange={(event) => onChange(event.target.value)}>
      <option value="">all</option>
      {kinds.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}
