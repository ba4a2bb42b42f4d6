/** The product's own sign: a ladder whose top rung is still pegs. */
export function Mark({ size }: { size: number }) {
  return <img src="/icon.svg" width={size} height={size} alt="" />;
}
