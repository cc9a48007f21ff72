import { describe, expect, it } from 'vitest'
import { keySign, runs } from './draw'
import { cellAt, fit, head, heatStep, names, nearestCell, pan, reveal, rowHeight, zoom } from './geometry'

describe('the strip', () => {
  const view = fit(1280, 57, 17)

  it('shows all measures of a band piece at once', () => {
    expect(names + 57 * view.cell).toBeLessThanOrEqual(1280.01)
    expect(view.row).toBeGreaterThanOrEqual(10)
  })
  it('finds the cell under a point and none in the margins', () => {
    expect(cellAt(view, names + 3.5 * view.cell, head + 2.5 * view.row, 17, 57)).toEqual({ part: 2, measure: 3 })
    expect(cellAt(view, names - 1, head + 5, 17, 57)).toBeNull()
    expect(cellAt(view, names + 5, head - 1, 17, 57)).toBeNull()
    expect(cellAt(view, names + 5, head + 17.5 * view.row, 17, 57)).toBeNull()
  })
  it('keeps a drag that leaves the strip inside it', () => {
    expect(nearestCell(view, -500, 9000, 17, 57)).toEqual({ part: 16, measure: 0 })
  })
  it('zooms around the point under the mouse', () => {
    const at = names + 20.5 * view.cell
    const near = zoom(view, 2, at, 1280, 57)
    expect(cellAt(near, at, head + 1, 17, 57)?.measure).toBe(20)
    expect(zoom(near, 0.001, at, 1280, 57)).toMatchObject({ x: 0 })
  })
  it('pans inside the score only', () => {
    const near = zoom(view, 3, names, 1280, 57)
    expect(pan(near, -9999, 1280, 57).x).toBe(0)
    expect(pan(near, 99999, 1280, 57).x).toBeCloseTo(57 * near.cell - (1280 - names))
  })
  it('brings a far measure into view', () => {
    const near = zoom(view, 3, names, 1280, 57)
    const shown = reveal(near, 50, 52, 1280, 57)
    expect(cellAt(shown, 1279, head + 1, 17, 57)?.measure).toBeGreaterThanOrEqual(52)
  })
  it('has five steps of heat, and none for rest', () => {
    expect([0, 0.05, 0.2, 0.4, 0.6, 1].map(heatStep)).toEqual([0, 1, 2, 3, 4, 4])
  })
  it('keeps names readable at thirty parts', () => expect(rowHeight(30)).toBeGreaterThanOrEqual(11))
  it('joins neighbouring parts into one frame', () =>
    expect(runs([3, 0, 1, 5, 4])).toEqual([
      [0, 1],
      [3, 5],
    ]))
  it('writes a signature short', () =>
    expect(['2 flats', '1 sharp', 'no signs'].map(keySign)).toEqual(['2♭', '1♯', '♮']))
})
