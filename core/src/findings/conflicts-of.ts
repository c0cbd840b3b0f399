import type { Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { standsAgainst } from './findings-of.js';
import type { Finding } from './model.js';
import { graveMatter } from './grave-matter.js';
import { ranked } from './rank.js';

/** Everything that stands against a piece, section by section: the gravest first, of equals what comes first. */
export const conflictsOf = (study: Study, profile: HandProfile): Finding[] =>
  ranked(
    study.sections.flatMap((section) =>
      standsAgainst(graveMatter(study, section, profile)).sort((a, b) => a.place.at - b.place.at),
    ),
  );
