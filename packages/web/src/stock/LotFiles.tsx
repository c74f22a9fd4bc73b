import { useMemo, useRef, useState } from 'react';
import { useGet, useHouse } from '../data';
import { Button, Dialog, SelectField } from '../ui';
import { saveFile } from '../print';
import { ImportPreview } from './files/ImportPreview';
import { parseLotCsv, toLotCsv, type NewLot, type ReadRow } from './files/lotCsv';
import { namedPedigree, parsePedigreeCsv, toAncestors, toPedigreeCsv } from './files/pedigreeCsv';
import type { Lot } from './table/stockColumns';

interface Preview {
  file: string;
  rows: ReadRow<unknown>[];
  toLots: () => NewLot[];
  /** What is left alone because it is here already. */
  known: number;
}

const saveText = (text: string, name: string) => saveFile(text, name, 'text/csv');

/** Lots and pedigrees out to files and in from them: open formats, nothing lost on the way. */
export function LotFiles({ lots, exportOnly = false }: { lots: readonly Lot[]; exportOnly?: boolean }) {
  const house = useHouse();
  const [open, setOpen] = useState(false);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [problem, setProblem] = useState('');
  const [speciesKey, setSpeciesKey] = useState('');
  const input = useRef<HTMLInputElement>(null);
  const kind = useRef<'lots' | 'pedigree'>('lots');
  const everything = useGet(open ? 'lots' : null);
  const species = useGet(open ? 'species' : null);
  const life = useGet(open ? 'tankLife' : null);
  const pedigree = useGet(open && speciesKey ? 'pedigree' : null, { params: { speciesKey } });
  const known = useMemo(
    () => ({
      timeZone: house.timeZone,
      species: new Map(
        (species.data ?? []).flatMap(({ key, commonName }) => [[key, key] as const, [commonName.toLowerCase(), key] as const]),
      ),
      tanks: new Map((life.data ?? []).map(({ code, tankId }) => [code, tankId])),
      lotIds: new Set((everything.data ?? []).map(({ id }) => id)),
    }),
    [house.timeZone, species.data, life.data, everything.data],
  );
  if (exportOnly) return <Button onClick={() => saveText(toLotCsv(lots, house.timeZone), 'lots.csv')}>Save as a file</Button>;

  async function read(file: File): Promise<void> {
    setProblem('');
    const text = await file.text();
    try {
      if (kind.current === 'lots') {
        const rows = parseLotCsv(text, known);
        setPreview({ file: file.name, rows, known: 0, toLots: () => rows.flatMap(({ value }) => value ?? []) });
        return;
      }
      const rows = parsePedigreeCsv(text);
      const labels = pedigree.data?.labels ?? {};
      const lotIdByName = new Map(Object.entries(labels).map(([id, name]) => [name, id.split('#')[0] ?? id]));
      for (const { id } of pedigree.data?.pedigree ?? []) lotIdByName.set(id, id.split('#')[0] ?? id);
      setPreview({
        file: file.name,
        rows,
        known: rows.filter(({ value }) => value && lotIdByName.has(value.id)).length,
        toLots: () =>
          toAncestors(
            rows.flatMap(({ value }) => value ?? []),
            { speciesKey, now: house.now(), lotIdByName },
          ),
      });
    } catch (error) {
      setProblem(`${file.name}: ${error instanceof Error ? error.message : 'cannot be read'}`);
    }
  }
  const choose = (what: 'lots' | 'pedigree') => {
    kind.current = what;
    input.current?.click();
  };
  const close = () => {
    setOpen(false);
    setPreview(null);
    setProblem('');
  };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Files</Button>
      <Dialog title="Files" about="comma-separated text for any spreadsheet" open={open} onClose={close} wide>
        <input
          ref={input}
          type="file"
          accept=".csv,text/csv"
          className="sr-only"
          aria-label="File to import"
          tabIndex={-1}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) void read(file);
            event.target.value = '';
          }}
        />
        {preview ? (
          <ImportPreview {...preview} done={close} back={() => setPreview(null)} />
        ) : (
          <div className="flex flex-col gap-5">
            {problem && (
              <p role="alert" className="border-l-4 border-rust bg-rust-wash px-4 py-3">
                {problem} Nothing was imported.
              </p>
            )}
            <section>
              <h3>Lots</h3>
              <p className="mb-2 text-note text-quiet">
                One row a lot: name, species, line, tank, numbers by sex, marks, papers.
              </p>
              <div className="flex flex-wrap gap-3">
                <Button onClick={() => saveText(toLotCsv(lots, house.timeZone), 'lots.csv')}>
                  Save the {lots.length} lots shown
                </Button>
                {house.may('keeper') && <Button onClick={() => choose('lots')}>Import lots</Button>}
              </div>
            </section>
            <section>
              <h3>Pedigree</h3>
              <p className="mb-2 text-note text-quiet">
                id, sire, dam. Parents that are not certain carry their chances, “Torn fin:0.6|Lantern:0.4”.
              </p>
              <div className="flex flex-wrap items-end gap-3">
                <SelectField
                  label="Species"
                  boxClass="w-60"
                  value={speciesKey}
                  onChange={(event) => setSpeciesKey(event.target.value)}
                >
                  <option value="">choose</option>
                  {(species.data ?? []).map(({ key, commonName }) => (
                    <option key={key} value={key}>
                      {commonName}
                    </option>
                  ))}
                </SelectField>
                <Button
                  disabled={!pedigree.data}
                  onClick={() =>
                    pedigree.data &&
                    saveText(
                      toPedigreeCsv(namedPedigree(pedigree.data.pedigree, pedigree.data.labels)),
                      `${speciesKey}-pedigree.csv`,
                    )
                  }
                >
                  Save the pedigree
                </Button>
                {house.may('keeper') && (
                  <Button disabled={!pedigree.data} onClick={() => choose('pedigree')}>
                    Import a pedigree
                  </Button>
                )}
              </div>
            </section>
          </div>
        )}
      </Dialog>
    </>
  );
}
