import { citationOf, RULE_SOURCES } from '@ivlen/core';
import type { ReactNode } from 'react';

/** What collinearity does and does not do, and what each number of the stage says. */
export function CollinearityHelp() {
  return (
    <div className="space-y-3 font-serif text-[17px] leading-snug">
      <p>
        Predictors are collinear where some of them say much the same. In the demo, dissolved solids are about .64 times the conductivity:
        whoever knows one knows the other. A regression on both cannot tell whose part in the outcome is whose.
      </p>
      <Part title="What it harms, and what not">
        Estimates stay unbiased; they become imprecise. The standard error of a coefficient is √VIF times what it would be if the other
        predictors told nothing of it, so that coefficients turn large, small or even change sign when a row or a partner is left out. What
        the predictors tell together, R² and predictions for cases like those measured, is not harmed. A high VIF does no harm among
        variables that only serve to hold something constant, nor between a variable and its own square or a product with it: centre it
        first, and most of that goes.
      </Part>
      <Part title="Pairs are not enough">
        |r| = .9 in a pair shows the plainest case. Three predictors can tell each other exactly while no pair reaches .9: in the sample
        “Aldermere beds” the shares of gravel, sand and silt add up to nearly 100, and no |r| is above .75. The share told, which looks at
        all others at once, shows it.
      </Part>
      <Part title="Share told, VIF, tolerance">
        The share told is the R² of one predictor on all others; tolerance is what is left, and VIF is 1/tolerance. 80 % told is VIF 5, 90 %
        is VIF 10. These limits are common practice, no law. A predictor of several indicator variables has a generalized VIF;
        GVIF^(1/(2df)) is on the scale of one column’s √VIF and is judged against √10 or √5. (
        {citationOf(RULE_SOURCES['variance inflation'])})
      </Part>
      <Part title="Condition indices">
        They look for near-dependences in all columns together, the intercept included. An index above 30 in which two coefficients or more
        have over half of their variance names who takes part. Where the intercept and one predictor are named, that predictor hardly varies
        about a mean far from 0. ({citationOf(RULE_SOURCES['condition indices'])})
      </Part>
      <Part title="Which one to leave out">
        The one that says least by itself, is measured worst or follows from the others; the numbers only say what each choice leaves. The
        largest VIF need not fall most without the predictor that has the highest. Nothing is ever left out by itself: a switch looks,
        “leave out for good” decides, with the reason in the trail. Two that measure the same can be combined instead.
      </Part>
      <Part title="A small r is no reason">
        A predictor that hardly goes with the outcome alone may still matter beside others (its semipartial correlation is then larger than
        its r). How predictors go with the outcome is no collinearity, and dropping those with a small p does not make a model true.
      </Part>
      <Part title="Beyond the first set">
        Predictors entered in ordered sets: does the second add anything that the first does not tell already? ΔR² is tested by F against
        the model that holds both, on the rows complete for all sets. ({citationOf(RULE_SOURCES['predictors in ordered sets'])})
      </Part>
      <Part title="Rows that matter">
        Leverage says how unusual a row’s predictors are, the studentized residual how unusual its outcome; Cook’s distance takes both
        together: how far all fitted values move without the row. Look at what changes before anything is set aside. (
        {citationOf(RULE_SOURCES['rows that matter in a regression'])})
      </Part>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mt-5 mb-1 font-sans text-[15px]">{title}</h2>
      <p>{children}</p>
    </section>
  );
}
