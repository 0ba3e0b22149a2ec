/** What went wrong with what was just asked; nothing when nothing did. */
export function FormError({ message, className = '' }: { message: string | null; className?: string }) {
  return message ? (
    <p role="alert" className={`text-over ${className}`}>
      {message}
    </p>
  ) : null;
}
