export interface Stand {
    url: string
    data: string
    port: number
    /** Ends the server; its data go. */
    stop: () => Promise<void>
    /** Ends the server; its data stay. */
    end: () => Promise<void>
    /** Ends the server as a power cut would; its data stay. */
    kill: () => Promise<void>
}
export const today: string
export function inDays(days: number): string
export function startStand(options: { demo: boolean; data?: string; port?: number; day?: string }): Promise<Stand>
export function prepareDemo(day?: string): Promise<string>
