import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { CsvError } from '@/contract/csv/readCsv';
import type { Existing, WholeData } from '@/contract/wholeData';
import { GONE, isGone, nowGone } from '@/core/formats/goneFile';
import { formatFixed } from '@/core/quantity/format';
import { ApiRefusal, ApiUnreachable } from '@/data/api';
import { pickFile } from '@/ui/files';
import { useNotice } from '@/data/notice';
import { bringIn, csvAsData, readCsvFile, rowCount } from '@/data/transfer';
import { MISSING_PART, partOrNull } from '@/ui/lazyPart';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { DropZone } from '@/ui/DropZone';

type State =
  | { at: 'idle' }
  | { at: 'reading'; done: number; total: number }
  | { at: 'wrong'; name: string; errors: (CsvError | { message: string })[]; total: number }
  | { at: 'ready'; name: string; data: WholeData | File; what: string }
  | { at: 'sending'; name: string }
  | { at: 'done'; words: string };

/** Larger files are not read here first: the server checks them row by row, and takes all or nothing as well. */
const LARGE_BYTES = 8e6;
const UNREACHABLE =
  'The server cannot be reached, so nothing was brought in. Start it again, then try again: the file is still here.';
const WHAT = { bodies: 'bodies', optics: 'optics', adapters: 'adapters', pictureGroups: 'groups of pictures' };

/** Rows from a CSV or a JSON file: read here, checked line by line, taken in all or not at all. */
export function FromFile() {
  const [state, setState] = useState<State>({ at: 'idle' });
  const [existing, setExisting] = useState<Existing>('keep');
  const job = useRef<{ cancel: () => void } | null>(null);
  const show = useNotice((each) => each.show);

  const readCsv = async (file: File) => {
    const running = readCsvFile(file, (done, total) => setState({ at: 'reading', done, total }));
    job.current = running;
    const reading = await running.reading;
    if (!reading) return setState({ at: 'idle' });
    if (!reading.ok) return setState({ at: 'wrong', name: file.name, errors: reading.errors, total: reading.total });
    return setState({
      at: 'ready',
      name: file.name,
      data: csvAsData(reading),
      what: `${formatFixed(reading.value.rows.length)} ${WHAT[reading.value.resource]}, all of them readable`,
    });
  };
  const readJson = async (file: File) => {
    if (file.size > LARGE_BYTES)
      return setState({
        at: 'ready',
        name: file.name,
        data: file,
        what: `${formatFixed(file.size / 1e6)} MB, checked while it is stored`,
      });
    const text = await file.text();
    let parsed: unknown;
    try {
      parsed = JSON.parse(text);
    } catch (error) {
      return setState({
        at: 'wrong',
        name: file.name,
        errors: [{ message: `This is not valid JSON: ${(error as Error).message}` }],
        total: 1,
      });
    }
    const part = await partOrNull(() => import('@/contract/validate'));
    if (!part) throw new Error(MISSING_PART);
    const checked = part.validateWholeData(parsed);
    if (!checked.ok)
      return setState({
        at: 'wrong',
        name: file.name,
        errors: checked.errors.map(({ message }) => ({ message })),
        total: checked.errors.length,
      });
    return setState({
      at: 'ready',
      name: file.name,
      data: checked.value,
      what: `${formatFixed(rowCount(checked.value))} rows, all of them readable`,
    });
  };
  const take = async (file: File | null) => {
    if (!file) return;
    setState({ at: 'reading', done: 0, total: 0 });
    try {
      await (/\.json$/i.test(file.name) || file.type === 'application/json' ? readJson(file) : readCsv(file));
    } catch (error) {
      const message = isGone(error) ? GONE : (error as Error).message;
      setState({ at: 'wrong', name: file.name, errors: [{ message }], total: 1 });
    }
  };
  const send = async () => {
    if (state.at !== 'ready') return;
    const { data, name } = state;
    setState({ at: 'sending', name });
    try {
      const { created, replaced, kept, removed, unchanged } = await bringIn(data, existing);
      const words = [
        `${formatFixed(created)} new`,
        replaced ? `${formatFixed(replaced)} replaced` : '',
        kept ? `${formatFixed(kept)} kept as they were` : '',
        removed ? `${formatFixed(removed)} taken out` : '',
        unchanged ? `${formatFixed(unchanged)} there already` : '',
      ]
        .filter((word) => word !== '')
        .join(', ');
      setState({ at: 'done', words });
      show({ text: `Brought in from ${name}: ${words}.` });
    } catch (error) {
      if (!(error instanceof ApiRefusal) && !(error instanceof ApiUnreachable)) throw error;
      const errors =
        error instanceof ApiRefusal
          ? (error.problem.errors ?? [{ message: error.problem.detail }])
          : [{ message: data instanceof Blob && (await nowGone(data)) ? GONE : UNREACHABLE }];
      setState({ at: 'wrong', name, errors: errors.map(({ message }) => ({ message })), total: errors.length });
    }
  };
  return (
    <View style={{ gap: space.page }}>
      <DropZone label="A CSV or JSON file, dropped here" onFile={(file) => void take(file)}>
        <Key
          title="Choose a CSV or JSON file"
          icon="description"
          onPress={() => void pickFile('.csv,.json,text/csv,application/json').then(take)}
          disabled={state.at === 'sending'}
        />
        <Txt kind="small" tone="soft">
          … or drop it here. CSV holds one part a line (the templates below show the columns); JSON holds everything.
          All of a file is taken, or nothing.
        </Txt>
      </DropZone>
      {state.at === 'reading' ? (
        <View style={{ gap: space.small }} role="status">
          <Txt>
            {state.total ? `Reading line ${formatFixed(state.done)} of ${formatFixed(state.total)} …` : 'Reading …'}
          </Txt>
          <Bar share={state.total ? state.done / state.total : 0} />
          <Key title="Stop reading" weight="plain" onPress={() => job.current?.cancel()} />
        </View>
      ) : null}
      {state.at === 'wrong' ? <Wrong {...state} /> : null}
      {state.at === 'ready' ? (
        <View style={{ gap: space.medium }} role="status">
          <Txt kind="strong">
            {state.name}: {state.what}.
          </Txt>
          <Choice
            label="What is there already"
            options={[
              { value: 'keep', name: 'Keep it, add the rest', gloss: 'same id: yours stays' },
              { value: 'replace', name: 'Add, and replace', gloss: 'same id: the file’s counts' },
              { value: 'only', name: 'Exactly this state', gloss: 'what the file does not hold goes' },
            ]}
            value={existing}
            onChange={setExisting}
          />
          <Key title="Bring in" weight="strong" icon="check" onPress={() => void send()} />
        </View>
      ) : null}
      {state.at === 'sending' ? <Txt role="status">Storing …</Txt> : null}
      {state.at === 'done' ? (
        <Txt tone="press" role="status">
          ✓ Brought in: {state.words}.
        </Txt>
      ) : null}
    </View>
  );
}

function Bar({ share }: { share: number }) {
  const styles = useStyles();
  return (
    <View
      style={styles.bar}
      role="progressbar"
      aria-label="How far the file is read"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(share * 100)}
    >
      <View style={[styles.done, { width: `${Math.round(share * 100)}%` }]} />
    </View>
  );
}

function Wrong({ name, errors, total }: { name: string; errors: (CsvError | { message: string })[]; total: number }) {
  const styles = useStyles();
  return (
    <View role="alert" aria-label={`What is wrong in ${name}`}>
      <Txt kind="strong" tone="needle">
        ✕ Nothing was taken from {name}. Correct {total === 1 ? 'this' : `these ${formatFixed(total)}`}, then choose it
        again.
      </Txt>
      {errors.map((error, i) => (
        <View key={i} style={styles.error}>
          {'line' in error ? (
            <Txt kind="label">
              Line {formatFixed(error.line)}
              {error.column ? `, ${error.column}` : ''}
            </Txt>
          ) : null}
          <Txt kind="small">{error.message}</Txt>
        </View>
      ))}
      {total > errors.length ? <Txt kind="small">… and {formatFixed(total - errors.length)} more.</Txt> : null}
    </View>
  );
}

const useStyles = stylesOf((palette) => ({
  bar: { height: 8, borderWidth: 1, borderColor: palette.inkSoft },
  done: { height: '100%', backgroundColor: palette.press },
  error: { paddingVertical: space.small, borderBottomWidth: 1, borderColor: palette.hairline },
}));
