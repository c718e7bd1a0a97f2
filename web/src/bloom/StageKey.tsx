import { Button, NativeSelect, Switch } from '@mantine/core';
import { IconAlertTriangle, IconMoon, IconSun } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../api/api';
import { FieldHead } from '../ui/FieldHead';
import { Glyph } from '../ui/Glyph';
import { useNightMode } from '../ui/night';
import { percent } from '../format/numbers';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Loaded, LoadedAll } from '../ui/States';
import { clock, dayOfYear } from '../format/time';
import { Why } from '../ui/Why';
import classes from './StageKey.module.css';
import { leaveOpen, leftOpen, tapped } from './tally-state';
import { phrase, t } from '../text/text';

type Sheet = Schemas['CropSheetView'];
type KeyAnswer = Schemas['StageKeyAnswer'];

interface SignProps {
  sign: Sheet['look'][number];
  given: string | undefined;
  best: boolean;
  give: (answer: string | undefined) => void;
}

function Sign({ sign, given, best, give }: SignProps) {
  return (
    <fieldset className={`${classes.sign} ${best ? classes.best : ''}`} data-sign={sign.key}>
      <legend>
        {sign.question} {best && <span className={classes.tells}>{t('key.tells-most')}</span>}
      </legend>
      <div className={classes.answers}>
        {sign.answers.map((a) => (
          <button
            key={a.key}
            type="button"
            aria-pressed={given === a.key}
            onClick={() => give(given === a.key ? undefined : a.key)}
          >
            {a.name}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function likelyWords(chance: number): string {
  if (chance >= 0.95) return t('key.nearly-sure');
  if (chance >= 0.8) return t('key.very-likely');
  if (chance >= 0.5) return t('key.likely');
  return t('key.so-far');
}

/** How the stage looked on this tree, or on another of its variety, when somebody took a picture of it. */
function Looked({ tree, stage }: { tree: string; stage: Sheet['stages'][number] }) {
  const { now, zone } = useHere();
  const { data } = useQuery(queries.stagePhotos(tree));
  const photo = data?.find((p) => p.stage === stage.key);
  if (!photo) return null;
  const alt = t('key.looked', {
    stage: stage.name,
    tree: photo.tree,
    day: dayOfYear(new Date(photo.takenAt), now, zone),
  });
  return (
    <figure className={classes.looked}>
      <img src={`/api/record-photos/${photo.id}`} alt={alt} />
      <figcaption className="small soft">{alt}</figcaption>
    </figure>
  );
}

function Verdict({
  sheet,
  answer,
  given,
  tree,
}: {
  sheet: Sheet;
  answer: KeyAnswer;
  given: number;
  tree: string | undefined;
}) {
  const { now, zone } = useHere();
  const ranked = answer.stages
    .map((c) => ({ ...c, of: sheet.stages.find((s) => s.key === c.stage)! }))
    .sort((a, b) => b.chance - a.chance);
  const top = ranked[0]!;
  return (
    <section className={classes.verdict} aria-live="polite">
      <div className={classes.top}>
        <Glyph glyph={top.of.glyph} size={76} />
        <div>
          <span className="small soft">{given === 0 ? t('key.typical') : likelyWords(top.chance)}</span>
          <b className={classes.name}>{top.of.name}</b>
          <span>
            {top.of.receives && top.of.sheds
              ? t('phase.both')
              : top.of.receives
                ? t('phase.female')
                : top.of.sheds
                  ? t('phase.male')
                  : top.of.phase === 'BETWEEN'
                    ? t('phase.between')
                    : top.of.phase === 'BUD'
                      ? t('phase.bud')
                      : t('phase.over')}
          </span>
        </div>
      </div>
      {tree && <Looked tree={tree} stage={top.of} />}
      {answer.beware.map((b) => (
        <p key={b} className={classes.beware}>
          <IconAlertTriangle size={20} aria-hidden style={{ flexShrink: 0 }} /> {phrase(b)}
        </p>
      ))}
      <ul className={classes.bars}>
        {ranked.map((c) => (
          <li key={c.stage}>
            <span>{c.of.name}</span>
            <span className={classes.track}>
              <span
                className={c.of.receives ? classes.takes : c.of.sheds ? classes.gives : classes.other}
                style={{ width: `${Math.max(0.5, c.chance * 100)}%` }}
              />
            </span>
            <span className="num">{percent(c.chance)}</span>
          </li>
        ))}
      </ul>
      <p className="small soft">
        <Why
          because={
            <>
              <p>
                {t('key.why-begun', {
                  clock: clock(now, zone),
                  list: ranked.map((c) => `${c.of.name.toLowerCase()} ${percent(c.usual)}`).join(', '),
                })}
              </p>
              <p>{t('key.why-then')}</p>
            </>
          }
        >
          {t('key.how')}
        </Why>
      </p>
    </section>
  );
}

function Asking({ sheet, tree }: { sheet: Sheet; tree: string | undefined }) {
  const navigate = useNavigate();
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [anyHour, setAnyHour] = useState(false);
  const key = useQuery({
    ...queries.stageKey(sheet.key, answers, anyHour),
    placeholderData: (before) => before,
  });
  const give = (sign: string, answer: string | undefined) =>
    setAnswers((a) => {
      const rest = Object.fromEntries(Object.entries(a).filter(([s]) => s !== sign));
      return answer ? { ...rest, [sign]: answer } : rest;
    });
  const given = Object.keys(answers).length;
  const first = key.data?.nextSign;
  const signs = [...sheet.look].sort(
    (a, b) =>
      Number(b.key === first) - Number(a.key === first) ||
      Number(!!answers[a.key]) - Number(!!answers[b.key]),
  );
  const count = (stage: string) => {
    leaveOpen(tree!, tapped(leftOpen(tree!), stage));
    void navigate(`/bloom/read/${tree}`);
  };
  const top = [...(key.data?.stages ?? [])].sort((a, b) => b.chance - a.chance)[0];
  const topName = sheet.stages.find((s) => s.key === top?.stage)?.name;
  return (
    <>
      <div className={classes.columns}>
        <Loaded of={key}>
          {(answer) => <Verdict sheet={sheet} answer={answer} given={given} tree={tree} />}
        </Loaded>
        <div className="stack" style={{ gap: 10 }}>
          <p className="soft">
            {t('key.answer')}{' '}
            {given > 0 && (
              <button type="button" className="why" onClick={() => setAnswers({})}>
                {t('key.start-over')}
              </button>
            )}
          </p>
          {signs.map((s) => (
            <Sign
              key={s.key}
              sign={s}
              given={answers[s.key]}
              best={s.key === first}
              give={(a) => give(s.key, a)}
            />
          ))}
          <Switch
            label={t('key.count-in')}
            checked={!anyHour}
            onChange={(e) => setAnyHour(!e.currentTarget.checked)}
          />
        </div>
      </div>
      {tree && top && (
        <footer className={classes.bar}>
          <Button size="lg" variant="outline" onClick={() => void navigate(`/bloom/read/${tree}`)}>
            {t('do.back')}
          </Button>
          <Button size="lg" ml="auto" disabled={given === 0} onClick={() => count(top.stage)}>
            {t('key.count', { stage: topName })}
          </Button>
        </footer>
      )}
    </>
  );
}

/** What am I looking at? The stage of a flower from what one can see. */
export function StageKey() {
  const [search, setSearch] = useSearchParams();
  const [night, toggleNight] = useNightMode();
  const tree = search.get('tree') ?? undefined;
  const trees = useQuery(queries.standing());
  const crops = useQuery(queries.crops());
  return (
    <div className={classes.page}>
      <FieldHead
        back={tree ? `/bloom/read/${tree}` : '/bloom'}
        backLabel={tree ? t('key.to-tally') : t('tally.to-bloom')}
        title={t('page.key')}
      >
        <button type="button" onClick={toggleNight} aria-pressed={night}>
          {night ? <IconSun size={22} /> : <IconMoon size={22} />} {night ? t('do.day') : t('do.night')}
        </button>
      </FieldHead>
      <div className={classes.body}>
        <LoadedAll of={[trees, crops]}>
          {(all, sheets) => {
            const wanted = search.get('crop') ?? all.find((t) => t.id === tree)?.crop ?? all[0]?.crop;
            const sheet = sheets.find((c) => c.key === wanted) ?? sheets[0]!;
            return (
              <>
                {!tree && (
                  <NativeSelect
                    aria-label={t('first.crop')}
                    value={sheet.key}
                    data={sheets.map((s) => ({ value: s.key, label: s.name }))}
                    onChange={(e) => setSearch({ crop: e.currentTarget.value })}
                    style={{ maxWidth: 320, marginBottom: 12 }}
                  />
                )}
                <Asking key={sheet.key} sheet={sheet} tree={tree} />
              </>
            );
          }}
        </LoadedAll>
      </div>
    </div>
  );
}
