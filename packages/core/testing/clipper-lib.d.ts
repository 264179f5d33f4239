/** What the tests use of the polygon library, which has no types of its own. */
declare module 'clipper-lib' {
  interface IntPoint {
    readonly X: number;
    readonly Y: number;
  }
  interface Engine {
    AddPaths(paths: readonly (readonly IntPoint[])[], kind: number, closed: boolean): boolean;
    AddPath(path: readonly IntPoint[], kind: number, closed: boolean): boolean;
    Execute(how: number, found: IntPoint[][], subject?: number, clip?: number): boolean;
  }
  const library: {
    readonly Clipper: { new (): Engine; Area(path: readonly IntPoint[]): number };
    readonly PolyType: { readonly ptSubject: number; readonly ptClip: number };
    readonly PolyFillType: { readonly pftNonZero: number };
    readonly ClipType: { readonly ctIntersection: number; readonly ctUnion: number; readonly ctDifference: number };
  };
  export default library;
}
