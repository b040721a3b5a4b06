import { Document, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer'
import { standardCautions } from '@/core/cautions/cautions'
import { type Guidance, guidanceOf, onPaper } from '@/core/standards/guidance'
import { effectiveTargets, type EffectiveTarget, layerKind, type Standard } from '@/core/standards'
import { dimension, GROUPS } from '@/core/vocabulary/dimensions'
import { toleranceWords, valueWords } from '@/core/vocabulary/words'
import { SHEET_FACE } from './pdf-fonts'

/** A standard for the wall: what is wanted, how much, and why, on two pages; how to shoot on a third. Black on white. */

const styles = StyleSheet.create({
  page: { padding: 28, paddingBottom: 34, fontFamily: SHEET_FACE, color: '#000' },
  title: { fontWeight: 700, fontSize: 18 },
  quiet: { fontSize: 8, marginTop: 2 },
  columns: { flexDirection: 'row', gap: 18, marginTop: 10, flexGrow: 1 },
  column: { flex: 1 },
  group: { fontWeight: 700, marginTop: 7, borderBottomWidth: 0.8, paddingBottom: 2 },
  row: { paddingVertical: 2.2, borderBottomWidth: 0.3 },
  label: { fontWeight: 700 },
  foot: { position: 'absolute', bottom: 16, left: 28, right: 28, fontSize: 7 },
})

/** Text sizes to try until everything stands on two pages. */
const SIZES = [14, 12.5, 11, 9.5, 8.5, 7.5, 6.5, 5.5]
const COLUMNS = 4

/** About how many lines of text a target takes at a size, in a quarter of two pages. */
const linesOf = (t: EffectiveTarget, size: number): number => {
  const across = 470 / size
  const { label } = dimension(t.dimension)
  const words = (text: string) => Math.ceil(text.length / across)
  return words(`${label}  ${wantedWords(t)}`) + words(t.reason + (t.relaxes ?? '')) + 0.6
}

const wantedWords = (t: EffectiveTarget): string => {
  const d = dimension(t.dimension)
  return `${valueWords(d, t.value)}${t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`}`
}

interface Block {
  readonly group: string
  readonly targets: readonly EffectiveTarget[]
}

/** Deals the targets out to four columns in their order, as evenly as their lengths allow. */
const dealOut = (targets: readonly EffectiveTarget[], size: number): readonly (readonly Block[])[] => {
  const total = targets.reduce((sum, t) => sum + linesOf(t, size), 0)
  const columns: Block[][] = Array.from({ length: COLUMNS }, () => [])
  let filled = 0
  for (const t of targets) {
    const column = columns[Math.min(COLUMNS - 1, Math.floor((COLUMNS * filled) / total))] ?? []
    const group = GROUPS.find(g => g.id === dimension(t.dimension).group)?.label ?? ''
    const last = column.at(-1)
    if (last?.group === group) column[column.length - 1] = { group, targets: [...last.targets, t] }
    else column.push({ group, targets: [t] })
    filled += linesOf(t, size)
  }
  return columns
}

/** @param below points that other lines take below the columns */
const sizeFor = (targets: readonly EffectiveTarget[], below: number): number =>
  SIZES.find(size => {
    const perColumn = (640 - below) / (size * 1.2)
    return targets.reduce((sum, t) => sum + linesOf(t, size), 0) / COLUMNS < perColumn
  }) ?? 5.5

const Row = ({ target: t, size }: { target: EffectiveTarget; size: number }) => (
  <View style={styles.row} wrap={false}>
    <Text style={{ fontSize: size }}>
      <Text style={styles.label}>{dimension(t.dimension).label}</Text>
      {'  '}
      {wantedWords(t)}
      {t.weight === 'must' ? '  MUST' : t.weight === 'nice' ? '  (nice)' : ''}
    </Text>
    <Text style={{ fontSize: size - 1 }}>
      {t.reason}
      {t.relaxes ? ` Instead of a must below: ${t.relaxes}` : ''}
    </Text>
  </View>
)

const Sheet = ({
  standard,
  state,
  at,
  pins,
}: {
  standard: Standard
  state: string
  at: string
  pins: readonly string[]
}) => {
  const targets = effectiveTargets(standard)
  const size = sizeFor(targets, pins.length * 12)
  const columns = dealOut(targets, size)
  const guidance = guidanceOf(standard)
  const pages = guidance.advice.length + guidance.rescues.length > 0 ? 3 : 2
  const layers = standard.layers
    .filter(l => layerKind(l) !== 'exception' && !l.applies)
    .map(l => `${l.name}${l.from ? `, version ${l.from.version}` : ''}`)
    .join(' › ')
  return (
    <Document title={`${standard.name}, version ${standard.version}`} language="en">
      {[0, 1].map(page => (
        <Page key={page} size="A4" style={styles.page}>
          <Text style={styles.title}>{standard.name}</Text>
          <Text style={styles.quiet}>
            Version {standard.version}, {state} · {layers} · page {page + 1} of {pages}
          </Text>
          {page === 0 && <Text style={{ fontSize: 10, marginTop: 6 }}>{standard.about}</Text>}
          <View style={styles.columns}>
            {columns.slice(2 * page, 2 * page + 2).map((blocks, c) => (
              <View key={c} style={styles.column}>
                {blocks.map(b => (
                  <View key={b.group}>
                    <Text style={{ ...styles.group, fontSize: size }}>{b.group}</Text>
                    {b.targets.map(t => (
                      <Row key={t.dimension} target={t} size={size} />
                    ))}
                  </View>
                ))}
              </View>
            ))}
          </View>
          {page === 1 && (
            <View>
              {pins.map(p => (
                <Text key={p} style={{ fontSize: 8, marginTop: 3 }}>
                  Set anyway on {p}
                </Text>
              ))}
              {standardCautions(targets).map(c => (
                <Text key={c.id} style={{ fontSize: 8, marginTop: 3 }}>
                  {c.title}: {c.words}
                </Text>
              ))}
            </View>
          )}
          <Text style={styles.foot}>
            MUST comes before everything else; a body that cannot hold it is told on its card. Printed {at.slice(0, 10)}
            .
          </Text>
        </Page>
      ))}
      {pages > 2 && (
        <Page size="A4" style={styles.page}>
          <Text style={styles.title}>{standard.name}</Text>
          <Text style={styles.quiet}>
            Version {standard.version}, {state} · page 3 of 3
          </Text>
          <GuidanceColumns {...onPaper(guidance)} />
        </Page>
      )}
    </Document>
  )
}

/** How to shoot, and what to try when it goes wrong, beside each other; smaller where there is much of it. */
const GuidanceColumns = ({ advice, rescues, more }: Guidance & { readonly more: string | undefined }) => {
  const letters = [
    advice.reduce((n, a) => n + a.title.length + a.text.length, 0),
    rescues.reduce((n, r) => n + r.symptom.length + r.remedies.reduce((m, x) => m + x.text.length, 0), 0),
  ]
  const size = Math.max(...letters) > 3200 ? 7.5 : Math.max(...letters) > 2000 ? 9 : 11
  return (
    <View style={styles.columns}>
      <View style={styles.column}>
        <Text style={{ ...styles.group, fontSize: size + 1 }}>How to shoot</Text>
        {advice.map(a => (
          <View key={a.id} style={styles.row} wrap={false}>
            <Text style={{ ...styles.label, fontSize: size }}>{a.title}</Text>
            <Text style={{ fontSize: size }}>{a.text}</Text>
          </View>
        ))}
      </View>
      <View style={styles.column}>
        <Text style={{ ...styles.group, fontSize: size + 1 }}>When it goes wrong</Text>
        {rescues.map(r => (
          <View key={r.id} style={styles.row} wrap={false}>
            <Text style={{ ...styles.label, fontSize: size }}>{r.symptom}</Text>
            {r.remedies.map((m, i) => (
              <Text key={m.text} style={{ fontSize: size }}>
                {i + 1}. {m.text}
              </Text>
            ))}
          </View>
        ))}
        {more && <Text style={{ fontSize: size }}>{more}</Text>}
      </View>
    </View>
  )
}

/** The sheet of a standard as PDF. @param pins what is set on single bodies anyway, in words */
export const standardSheet = async (input: {
  readonly standard: Standard
  readonly state: string
  readonly at: string
  readonly pins: readonly string[]
}): Promise<Uint8Array> => new Uint8Array(await renderToBuffer(<Sheet {...input} />))
