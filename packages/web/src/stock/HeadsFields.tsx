import type { FieldErrors, FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { readWhole, TextField } from '../ui';

/** Headcounts as typed. */
export interface HeadsText {
  males: string;
  females: string;
  unsexed: string;
}
const SEXES = ['males', 'females', 'unsexed'] as const;

/** Headcounts as text, empty where none. */
export const headsText = (heads: { males: number; females: number; unsexed: number }): HeadsText => ({
  males: heads.males ? String(heads.males) : '',
  females: heads.females ? String(heads.females) : '',
  unsexed: heads.unsexed ? String(heads.unsexed) : '',
});

/** Typed headcounts as numbers. @throws {FieldProblem} at the field that is no number */
export function readHeads(values: HeadsText): { males: number; females: number; unsexed: number } {
  const read = (sex: (typeof SEXES)[number]) => (values[sex].trim() === '' ? 0 : readWhole(sex, values[sex]));
  return { males: read('males'), females: read('females'), unsexed: read('unsexed') };
}

/** Schema paths of headcounts as form fields. */
export const headsField = (path: string): 'males' | 'females' | 'unsexed' | undefined =>
  SEXES.find((sex) => path === `heads.${sex}`) ?? (path === 'heads' ? 'unsexed' : undefined);

/** Three numbers: males, females, unsexed. */
export function HeadsFields<Values extends FieldValues & HeadsText>({
  form,
  have,
}: {
  form: UseFormReturn<Values>;
  have?: { males: number; females: number; unsexed: number };
}) {
  const errors = form.formState.errors as FieldErrors<HeadsText>;
  return (
    <div className="grid grid-cols-3 gap-4">
      {SEXES.filter((sex) => !have || have[sex] > 0).map((sex) => (
        <TextField
          key={sex}
          label={sex.charAt(0).toUpperCase() + sex.slice(1)}
          inputMode="numeric"
          hint={have ? `of ${have[sex]}` : undefined}
          error={errors[sex]?.message}
          {...form.register(sex as Path<Values>)}
        />
      ))}
    </div>
  );
}
