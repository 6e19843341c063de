import { type PairCaution, remedyOfPair } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { Link } from 'react-router';
import { CAUTION_WORDS, type CautionSubject, remedyInWords } from '../coefficients/caution-words';
import type { CheckSubject } from '../coefficients/check-words';
import { usePairCautions } from '../coefficients/use-pair-cautions';
import { useHelpAddress } from '../help-texts/from';
import { remedyPhrase } from '../remedies/remedy-words';
import { useGrouping } from '../settings/use-grouping';
import { displayName } from '../study/variable-name';
import { CautionActions } from './caution-actions';
import { PairChecks } from './pair-checks';
import { cautionedPair, type PairContext } from './pair-request';
import { ShapeInWords } from './shape-in-words';

/** What a reader should know about this coefficient: first what could change the conclusion, each with what heeding it gives; last what held. */
export function PairCautions({ context }: { context: PairContext }) {
  const { study, pair, settings, method } = context;
  const { sought, found: data } = usePairCautions(cautionedPair(context));
  const grouping = useGrouping(study);
  const address = useHelpAddress();
  if (!sought) return <p className="mt-3 text-[13px] text-muted">Cautions are looked for where nothing is held constant.</p>;
  const found = data?.pairs[0];
  if (!data || !found) return null;
  // The numbers were computed with the pair in the order of the codebook.
  const [first, second] = found.a === pair.x.id ? [pair.x, pair.y] : [pair.y, pair.x];
  const named = study.state.variables.find(({ id }) => id === data.identifier);
  const identifier = named ? displayName(named) : null;
  const subject: CheckSubject & CautionSubject = {
    x: displayName(first),
    y: displayName(second),
    kinds: [first.kind, second.kind],
    method,
    identifier,
    groups: grouping?.by ? displayName(grouping.by) : null,
  };
  const alpha = settings.levels[0] ?? 0.05;
  const decided = remedyOfPair(study.state.remedies, pair.x.id, pair.y.id);
  const taken = decided && decided.kind !== 'method' ? remedyPhrase(decided, study) : null;
  const advice = { identifier: data.identifier, groupBy: grouping?.by?.id ?? null };
  const inWords = (caution: PairCaution) => (
    <>
      {caution.code === 'shape' ? (
        <ShapeInWords study={study} pair={pair} />
      ) : (
        CAUTION_WORDS[caution.code].sentence(caution.values, subject, caution.remedy)
      )}{' '}
      {remedyInWords(caution, subject, alpha)}
      <CautionActions
        context={context}
        caution={caution}
        advice={advice}
        because={CAUTION_WORDS[caution.code].sentence(caution.values, subject, caution.remedy)}
      />
    </>
  );
  const decisive = found.cautions.filter(({ level }) => level === 'could-change');
  const notes = found.cautions.filter(({ level }) => level === 'note');
  return (
    <>
      {found.cautions.length > 0 && (
        <section aria-label="Cautions" className="mt-3 space-y-2" data-testid="pair-cautions">
          {taken && (
            <p className="text-[13px] text-muted">
              These are about {COEFFICIENTS[method].symbol} without what was decided for it: it is taken {taken}.
            </p>
          )}
          {decisive.map((caution) => (
            <p key={caution.code} className="border-l-4 border-caution bg-caution-soft px-3 py-2" data-caution={caution.code}>
              <span className="sr-only">Could change the conclusion: </span>
              {inWords(caution)}
            </p>
          ))}
          {notes.map((caution) => (
            <p key={caution.code} className="border-l-4 border-rule px-3 py-1 text-[13px]" data-caution={caution.code}>
              {inWords(caution)}
            </p>
          ))}
          <Link to={address('cautions')} className="text-[13px] text-accent underline">
            When these are raised
          </Link>
        </section>
      )}
      <PairChecks checks={found.checks} subject={subject} />
    </>
  );
}
