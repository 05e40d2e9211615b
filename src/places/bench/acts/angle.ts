/** An angle brought into (-pi, pi]. */
export function normalAngle(angle: number): number {
  const turn = 2 * Math.PI;
  const within = ((angle % turn) + turn) % turn;
  return within > Math.PI ? within - turn : within;
}
