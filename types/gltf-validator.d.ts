/** The parts of gltf-validator that are used; the package ships no types. */
declare module 'gltf-validator' {
  export interface ValidationReport {
    readonly issues: {
      readonly numErrors: number
      readonly numWarnings: number
      readonly numInfos: number
      readonly numHints: number
      readonly messages: readonly {
        readonly code: string
        readonly message: string
        readonly severity: number
        readonly pointer?: string
      }[]
    }
    readonly info: {
      readonly totalTriangleCount?: number
      readonly totalVertexCount?: number
      readonly drawCallCount?: number
    }
  }
  export function validateBytes(bytes: Uint8Array, options?: { maxIssues?: number }): Promise<ValidationReport>
  export function version(): string
}
