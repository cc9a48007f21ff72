import { computed, type Ref } from 'vue'
import { api, fetched, type Difference, type Line, type Piece, type Schemas } from '../../api/client'
import { bandsOf } from '../../strip/bands'
import { readyBands } from '../../strip/readyBands'
import type { StripData } from '../../strip/draw'

/** What the strip draws, and why a cell is warm. */
export function useStrip(
  id: Ref<number>,
  piece: Ref<Piece | undefined>,
  heat: Ref<Schemas['HeatRow'][] | undefined>,
  differences: Ref<Difference[] | undefined>,
  lines: Ref<Line[] | undefined>,
  unifying: Ref<boolean>,
  readiness: Ref<Schemas['PassageReadinessView'][] | undefined>,
  keys: Ref<readonly string[]>,
) {
  function cells(is: (state: string) => boolean): Set<string> {
    const out = new Set<string>()
    for (const d of differences.value ?? [])
      if (d.rank === 'difference' && is(d.state))
        // A level is in force for long: its tick stands where it begins.
        for (const p of d.parts)
          for (let m = d.fromIndex; m <= (d.kind === 'dynamic' ? d.fromIndex : d.toIndex); m++)
            out.add(`${p.part}:${m}`)
    return out
  }

  const strip = computed<StripData>(() => ({
    parts: piece.value?.parts.map((p) => ({ id: p.id, name: p.name || p.id })) ?? [],
    labels: piece.value?.measures ?? [],
    rehearsals: piece.value?.frames.map((f) => f.rehearsal ?? null) ?? [],
    keys: keys.value,
    heat: new Map(heat.value?.map((r) => [r.part, r.heat]) ?? []),
    open: cells((s) => s === 'open'),
    settled: cells((s) => s !== 'open'),
    bands: unifying.value ? bandsOf(lines.value ?? []) : readyBands(readiness.value ?? []),
  }))

  async function reasons(part: string, index: number, signal: AbortSignal): Promise<string> {
    const list = await fetched(
      api.GET('/api/pieces/{id}/heat/reasons', {
        params: { path: { id: id.value }, query: { part, index } },
        signal,
      }),
    )
    return list.length === 0 ? 'nothing to do' : list.map((r) => r.words).join('; ')
  }
  return { strip, reasons }
}
