/**
 * Journeys that do not decide whether a change may land: they take most of the time, and tell least that others do not. They run
 * with ./ivlen test slow. Named by what stands in their file's name and title.
 */
export const SLOW_JOURNEYS: readonly RegExp[] = [
  // Every screen in night colours, and those whose parts other looks have in them too.
  /with the dark system setting/,
  /the (?:codebook with an open entry|shapes together, on other scales|ranked pairs, the rectangle|scatterplots with lit rows)/,
  /(?:what is to check and the missing values|reported figures and the help|every defensible way, with one chosen).*ha(?:ve|s) none/,
  /the search, the decimals, the rules for rows in a sentence/,
  /subgroups have none: pairs with an opened row|collinearity has none: shares with ghosts|the rows and their dialogs have none/,
  /the shapes with an open strip have none|the report, empty, drafted, with its menus/,
  // Held against a clock, against kills, and on databases of their own.
  /answers-meanwhile|power-cuts|with the database gone/,
  /what is pinned in every stage says|the archive with its record is computed again|the page as one file opens without a network/,
  // What component and server tests hold cell by cell.
  /shape-views|sturdiness|codebook\.spec|further-files|first steps lead from the demo/,
  /a detection limit in the codebook|a reliability, known or from repeated columns|five-level items|a table of which a fifth/,
  /which groups take part is kept once|trees in two orchards|a ratio and its own part|a strange table|groups are made where they are chosen/,
  /several brushes add or narrow|the figure as SVG|one large pair: margins|an outlying value squeezes|panels are reached by keys/,
  /outcomes against predictors; the figure in words|a variable that no scale cures|what the rule marks is seen|the card recommends a method|kilns: F, coefficients|left out for good, with a reason/,
  /roles come from the panel|two variables leave the arrangements|a clicked tile stays under|search finds terms by their name/,
  /two windows do not overwrite|archive out, delete the study|only catchment Aster/,
];
