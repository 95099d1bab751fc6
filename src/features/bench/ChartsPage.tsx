import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { CHARTS, PAPERS, chartSvg, printScale, type ChartName, type PaperName } from '@/core/charts/chart';
import { formatFigures } from '@/core/quantity/format';
import { useNotice } from '@/data/notice';
import { Page } from '@/ui/Page';
import { Txt } from '@/ui/Txt';
import { Choice } from '@/ui/controls/Choice';
import { Key } from '@/ui/controls/Key';
import { NumberField } from '@/ui/controls/NumberField';
import { saveFile } from '@/ui/files';
import { space } from '@/ui/theme/measures';
import { stylesOf } from '@/ui/theme/theme';
import { ChartDrawing } from './ChartDrawing';

const NAMES = (Object.keys(CHARTS) as ChartName[]).map((value) => ({
  value,
  name: CHARTS[value].name,
  gloss: CHARTS[value].about,
}));
const PAPER_NAMES = (Object.keys(PAPERS) as PaperName[]).map((value) => ({ value, name: PAPERS[value].name }));
const BAR_MM = 100;

/** Sheets to print at true size and to photograph. */
export default function ChartsPage() {
  const styles = useStyles();
  const show = useNotice((state) => state.show);
  const [name, setName] = useState<ChartName>('ruler');
  const [paper, setPaper] = useState<PaperName>('a4');
  const [foundMm, setFound] = useState<number | null>(null);
  const scale = foundMm === null ? 1 : printScale(BAR_MM, foundMm);
  const file = `jauge-${name}-${paper}`;
  const savePdf = async () => {
    try {
      const { chartPdf } = await import('@/data/bench/chartPdf');
      const bytes = await chartPdf(name, paper, scale);
      saveFile(`${file}.pdf`, new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }));
    } catch (error) {
      show({ text: `The PDF could not be made (${(error as Error).message}). Try again, or take the SVG.` });
    }
  };
  return (
    <Page title="Charts to photograph" up="/bench">
      <ScrollView tabIndex={0} contentContainerStyle={styles.content}>
        <Choice label="Sheet" options={NAMES} value={name} onChange={setName} />
        <Choice label="Paper" options={PAPER_NAMES} value={paper} onChange={setPaper} />
        <ChartDrawing name={name} paper={paper} />
        <View style={styles.row}>
          <Key title="PDF" icon="picture-as-pdf" weight="strong" onPress={() => void savePdf()} testID="chart-pdf" />
          <Key
            title="SVG"
            icon="file-download"
            onPress={() => saveFile(`${file}.svg`, new Blob([chartSvg(name, paper, scale)], { type: 'image/svg+xml' }))}
          />
        </View>
        <Txt kind="small" tone="soft">
          Print at 100 %, without “fit to page”. Then measure the bar of 100 mm with a good ruler and enter what you
          find: the next sheet makes up for the printer.
        </Txt>
        <NumberField
          label="The bar of 100 mm came out as"
          value={foundMm}
          unit="mm"
          shownUnit="mm"
          minimum={80}
          maximum={120}
          optional
          onChange={setFound}
        />
        {foundMm === null ? null : (
          <Txt role="status">{`Drawn ${formatFigures(scale, 5)} times as large, so that it comes out right.`}</Txt>
        )}
      </ScrollView>
    </Page>
  );
}

const useStyles = stylesOf(() => ({
  content: { padding: space.page, gap: space.page, width: '100%', maxWidth: 860, marginHorizontal: 'auto' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.medium },
}));
