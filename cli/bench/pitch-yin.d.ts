/** The package brings types that its own list of exports hides. */
declare module '@audio/pitch-yin' {
  export default function yin(
    data: Float32Array,
    options?: { readonly fs?: number },
  ): { readonly freq: number; readonly clarity: number } | null;
}
