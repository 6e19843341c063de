interface StoppedNoticeProps {
  /** What was stopped, and what takes it up again. */
  readonly words?: string;
  readonly again?: string;
  readonly className?: string;
  readonly onResume: () => void;
}

/** In place of what was stopped on request: that it was, and the way to have it all the same. */
export function StoppedNotice({ words = 'The computing was stopped.', again = 'Compute', className = '', onResume }: StoppedNoticeProps) {
  return (
    <p className={`flex items-center gap-4 ${className}`}>
      {words}
      <button type="button" className="button" onClick={onResume}>
        {again}
      </button>
    </p>
  );
}
