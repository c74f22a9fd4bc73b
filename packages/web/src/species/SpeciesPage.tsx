import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import * as v from 'valibot';
import { v7 as newId } from 'uuid';
import { SpeciesFile } from '@freshet/contract/species';
import { inUnits } from '@freshet/core/units';
import {
  FIGURE_KEYS,
  FIGURES,
  METHOD_TEMPLATES,
  METHODS,
  OwnFiguresSchema,
  type FigureKey,
  type Figures,
  type Method,
} from '@freshet/core/species';
import { useGet, useHouse, useLog, type Reply } from '../data';
import { Button, Dialog, LinkButton, Loaded, Notice, PageHead, SelectField, TextField } from '../ui';
import { LifeStrip } from './LifeStrip';
import { FigureDialog } from './FigureDialog';
import { GRADE_WORDS, showFigure } from './figures';

type Species = Reply<'species'>[number];

/** The breeder's own figures only. */
function ownFigures(species: Species): Partial<Figures> {
  return Object.fromEntries(Object.entries(species.figures).filter(([key]) => species.origins[key] === 'own'));
}

function download(species: Species): void {
  const { key, commonName, scientificName, method, initials, caution, figures } = species;
  const file = {
    format: 'freshet-species-1',
    key,
    commonName,
    scientificName,
    method,
    initials,
    ...(caution ? { caution } : {}),
    figures,
  };
  const url = URL.createObjectURL(new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${key}.json`;
  link.click();
  URL.revokeObjectURL(url);
}

function useSaveSpecies() {
  const log = useLog();
  return (
    species: Pick<Species, 'key' | 'commonName' | 'scientificName' | 'method' | 'initials'> & {
      caution?: string | undefined;
      version?: string | null;
    },
    figures: Partial<Figures>,
  ) => {
    const { key, commonName, scientificName, method, initials, caution, version } = species;
    return log(
      'saveSpecies',
      {
        id: newId(),
        key,
        commonName,
        scientificName,
        method,
        initials,
        ...(caution ? { caution } : {}),
        figures: v.parse(OwnFiguresSchema, figures),
        ...(version === undefined ? {} : { version }),
      },
      `${commonName} saved`,
    );
  };
}

function FiguresTable({ species }: { species: Species }) {
  const house = useHouse();
  const save = useSaveSpecies();
  const [editing, setEditing] = useState<FigureKey | null>(null);
  const set = (figures: Partial<Figures>) => save(species, { ...ownFigures(species), ...figures });
  const reset = (key: FigureKey) =>
    save(species, Object.fromEntries(Object.entries(ownFigures(species)).filter(([other]) => other !== key)));
  return (
    <>
      <p className="mb-3 max-w-prose text-quiet">
        These are general starting points. Put in your own and everything is worked out from them.
      </p>
      <ul className="grid gap-x-10 bg-sheet px-4 xl:grid-cols-2">
        {FIGURE_KEYS.map((key) => {
          const own = species.origins[key] === 'own';
          return (
            <li key={key} className="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-2">
              <span className="w-52 shrink-0">{FIGURES[key].label}</span>
              <span className="min-w-0 flex-1 font-semibold">{inUnits(showFigure(key, species.figures), house.units)}</span>
              <span className={own ? 'text-note font-semibold text-deep' : 'text-note text-quiet'}>
                {own
                  ? 'your own'
                  : `${GRADE_WORDS[species.grades[key] ?? 'guess']}${species.origins[key] === 'method' ? ', its method’s' : ''}`}
              </span>
              {house.may('keeper') && (
                <LinkButton className="text-note" onClick={() => setEditing(key)} aria-label={`Change ${FIGURES[key].label}`}>
                  change
                </LinkButton>
              )}
              {own && house.may('keeper') && species.shipped && (
                <LinkButton
                  className="text-note"
                  onClick={() => void reset(key)}
                  aria-label={`Back to the starting point: ${FIGURES[key].label}`}
                >
                  back
                </LinkButton>
              )}
            </li>
          );
        })}
      </ul>
      {editing && <FigureDialog figureKey={editing} figures={species.figures} save={set} close={() => setEditing(null)} />}
    </>
  );
}

function NewSpecies({ close }: { close: () => void }) {
  const save = useSaveSpecies();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [scientific, setScientific] = useState('');
  const [method, setMethod] = useState<Method>('eggScatterer');
  const [problem, setProblem] = useState('');
  async function submit() {
    const key = name
      .trim()
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40);
    if (key.length < 2) {
      setProblem('A name of at least two letters is needed.');
      return;
    }
    if (
      await save(
        { key, commonName: name.trim(), scientificName: scientific.trim(), method, initials: name.trim().slice(0, 2) },
        {},
      )
    ) {
      close();
      void navigate(`/species/${key}`);
    }
  }
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void submit();
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={problem || undefined}
        maxLength={80}
      />
      <TextField
        label="Scientific name"
        value={scientific}
        onChange={(event) => setScientific(event.target.value)}
        maxLength={80}
      />
      <SelectField
        label="Breeding method"
        hint="All figures start from the method; change the ones you know."
        value={method}
        onChange={(event) => setMethod(event.target.value as Method)}
      >
        {METHODS.map((key) => (
          <option key={key} value={key}>
            {METHOD_TEMPLATES[key].name}
          </option>
        ))}
      </SelectField>
      <Button look="main" type="submit">
        Make the species
      </Button>
    </form>
  );
}

function ImportButton() {
  const save = useSaveSpecies();
  const input = useRef<HTMLInputElement>(null);
  async function read(file: File) {
    try {
      const parsed = v.safeParse(SpeciesFile, JSON.parse(await file.text()));
      if (!parsed.success) {
        const [issue] = parsed.issues;
        toast.error(`${file.name}: ${v.getDotPath(issue) ?? 'the file'}: ${issue.message} Nothing was imported.`);
        return;
      }
      await save(parsed.output, parsed.output.figures as Partial<Figures>);
    } catch {
      toast.error(`${file.name} is not JSON. Nothing was imported.`);
    }
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        className="sr-only"
        aria-label="Species file"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void read(file);
          event.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>Import</Button>
    </>
  );
}

function SpeciesList({ data }: { data: readonly Species[] }) {
  return (
    <ul className="grid gap-x-8 bg-sheet px-4 py-2 sm:grid-cols-2 lg:grid-cols-3">
      {[...data]
        .sort((a, b) => (a.commonName < b.commonName ? -1 : 1))
        .map((species) => (
          <li key={species.key} className="border-b border-rule py-1.5">
            <Link to={`/species/${species.key}`} className="block hover:bg-today">
              <b>{species.commonName}</b> <i className="text-quiet">{species.scientificName}</i>
              <span className="block text-note text-quiet">
                {METHOD_TEMPLATES[species.method].name}
                {Object.values(species.origins).includes('own') && species.shipped ? ', with figures of your own' : ''}
                {!species.shipped && ', your own species'}
              </span>
            </Link>
          </li>
        ))}
    </ul>
  );
}

/** Species and every figure the sums rest on. */
export function SpeciesPage() {
  const { key } = useParams();
  const house = useHouse();
  const reply = useGet('species');
  const [adding, setAdding] = useState(false);
  return (
    <Loaded reply={reply} what="the species">
      {(data) => {
        const chosen = data.find((species) => species.key === key);
        return (
          <>
            <PageHead
              title={chosen?.commonName ?? 'Species'}
              about={chosen ? <i>{chosen.scientificName}</i> : `${data.length} species`}
            >
              {chosen && (
                <>
                  <Link to="/species" className="link">
                    all species
                  </Link>
                  <Link to={`/spawns/evidence/${chosen.key}`} className="link">
                    what worked
                  </Link>
                  <Link to={`/broods/record/${chosen.key}`} className="link">
                    survival
                  </Link>
                  <Button onClick={() => download(chosen)}>Export</Button>
                </>
              )}
              {house.may('keeper') && !chosen && (
                <>
                  <ImportButton />
                  <Button look="main" onClick={() => setAdding(true)}>
                    A species of your own
                  </Button>
                </>
              )}
            </PageHead>
            {chosen?.caution && <Notice className="mb-3">{chosen.caution}</Notice>}
            {chosen && <LifeStrip species={chosen} />}
            {chosen ? <FiguresTable species={chosen} /> : <SpeciesList data={data} />}
            <Dialog title="A species of your own" open={adding} onClose={() => setAdding(false)}>
              <NewSpecies close={() => setAdding(false)} />
            </Dialog>
          </>
        );
      }}
    </Loaded>
  );
}
