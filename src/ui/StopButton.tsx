/** Stands in for the verb while its work is under way: how far that is, and a way to stop it. */
export function StopButton({
  share,
  className,
  onStop,
}: {
  /** 0 to 1. */
  share: number;
  className: string;
  onStop: () => void;
}) {
  return (
    <button type="button" className={`action-2 measure ${className}`} onClick={onStop}>
      {Math.round(share * 100)} % · Stop
    </button>
  );
}
