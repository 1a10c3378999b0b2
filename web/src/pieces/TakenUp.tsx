/** Says that a form goes on where it was left, and begins anew on one press. */
export function TakenUp({ of, onAfresh }: { of: { isTakenUp: boolean; forget: () => void }; onAfresh: () => void }) {
  if (!of.isTakenUp) return null;
  return (
    <p className="text-sm text-steel">
      You left this unsaved; here it is again.{' '}
      <button
        type="button"
        className="font-semibold text-cobalt hover:underline"
        onClick={() => {
          of.forget();
          onAfresh();
        }}
      >
        Start afresh
      </button>
    </p>
  );
}
