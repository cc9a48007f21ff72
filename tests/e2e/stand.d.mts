export interface Stand {
    url: string
    data: string
    stop: () => Promise<void>
}
export function startStand(options: { demo: boolean; port: number }): Promise<Stand>
