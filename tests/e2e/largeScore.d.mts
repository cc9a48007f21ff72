import type { Locator, Page } from '@playwright/test'

export function largeScore(parts: number, measures: number): string

export function openLarge(
    page: Page,
    url: string,
    parts: number,
    measures: number,
): Promise<{ strip: Locator; box: { x: number; y: number; width: number; height: number } }>
