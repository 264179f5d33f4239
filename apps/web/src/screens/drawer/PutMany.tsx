export function PutMany() {
  return <main />;
}
