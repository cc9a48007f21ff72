export interface Stand {
    url: string
    data: string
    stop: () => Promise<void>
    /** Ends the server as a power cut would; its data stay. */
    kill: () => Promise<void>
}
export function startStand(options: { demo: boolean; port: number; data?: string }): Promise<Stand>
