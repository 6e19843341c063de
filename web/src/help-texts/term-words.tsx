import { Link } from 'react-router';
import { useHelpAddress } from './from';
import { GLOSSARY } from './glossary';
import { HelpText } from './help-text';

/** What the glossary says of a term. */
export function TermWords({ entry }: { entry: string }) {
  const address = useHelpAddress();
  const found = GLOSSARY.find(({ heading }) => heading === entry);
  if (!found) throw new Error(`The glossary has no ${entry}.`);
  return (
    <div className="[&>p]:mb-1.5">
      <p className="font-semibold">{entry}</p>
      <HelpText text={found.text} />
      <p className="mb-0! text-[13px]">
        <Link to={address('glossary', found.anchor)} className="text-accent underline">
          In the glossary
        </Link>
      </p>
    </div>
  );
}
