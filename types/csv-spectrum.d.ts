declare module 'csv-spectrum' {
  interface Case {
    readonly name: string
    readonly csv: Buffer
    readonly json: Buffer
  }
  export default function spectrum(done: (error: Error | null, cases: Case[]) => void): void
}
