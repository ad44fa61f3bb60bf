/** What a speed class holds for: the one sentence that guide, glossary and drill say. */
export const CLASS_HOLDS =
  'V, U, C, E and VPG name the least that a card writes in sequence: into free, unfragmented space, on a card formatted in the camera, recorded as the class wants it, within the card’s temperatures.';

/** Who answers for a mark. */
export const DECLARED =
  'Classes of SD are declared by the maker under licence, by a test that imitates how a camera writes; VPG is certified, and holds with a host that supports it.';
