import type { ReadyWish } from '@freshet/core/sales';
import { KindField, SelectField, TextField, usePageParams, withParam } from '../ui';

/** What a page is narrowed to: a species, and who of it is asked after. */
export interface Narrowed {
  species: string;
  wish: ReadyWish;
  typedMm: string;
  set: (key: 'species' | 'sex' | 'mm' | 'grade', value: string) => void;
}

/** Kept in the page's address, so that a narrowed list can be gone back to. */
export function useNarrowed(): Narrowed {
  const [search, setSearch] = usePageParams();
  const told = (key: string) => search.get(key) ?? '';
  const sex = told('sex');
  const typedMm = told('mm');
  const mm = Number(typedMm.replace(',', '.'));
  const wish: ReadyWish = {
    sex: sex === 'male' || sex === 'female' ? sex : 'any',
    leastMm: typedMm.trim() !== '' && mm > 0 && mm <= 500 ? mm : null,
    grade: told('grade') || null,
  };
  return {
    species: told('species'),
    wish,
    typedMm,
    set: (key, value) => setSearch(withParam(search, key, value)),
  };
}

/** Narrows what can go by species, sex, length and the class it was sorted into. */
export function ReadyWishes({
  narrowed: { species, wish, typedMm, set },
  kinds,
  grades,
}: {
  narrowed: Narrowed;
  kinds: readonly (readonly [key: string, name: string])[];
  grades: readonly string[];
}) {
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-3 gap-y-2">
      <KindField value={species} kinds={kinds} onChange={(key) => set('species', key)} />
      <SelectField
        label="Sex"
        boxClass="w-36"
        value={wish.sex === 'any' ? '' : wish.sex}
        onChange={(event) => set('sex', event.target.value)}
      >
        <option value="">any</option>
        <option value="male">males</option>
        <option value="female">females</option>
      </SelectField>
      <TextField
        label="At least, mm"
        boxClass="w-28"
        inputMode="decimal"
        placeholder="sale size"
        value={typedMm}
        error={typedMm.trim() !== '' && wish.leastMm === null ? 'A length in mm, up to 500.' : undefined}
        onChange={(event) => set('mm', event.target.value)}
      />
      {(grades.length > 0 || wish.grade !== null) && (
        <SelectField
          label="Size class"
          boxClass="w-40"
          value={wish.grade ?? ''}
          onChange={(event) => set('grade', event.target.value)}
        >
          <option value="">all</option>
          {[...new Set([...grades, ...(wish.grade === null ? [] : [wish.grade])])].map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </SelectField>
      )}
    </div>
  );
}
