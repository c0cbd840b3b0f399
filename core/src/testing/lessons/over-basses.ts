import { lessons } from './model.js';

/** A melody over basses: the thumb below, no finger twice, a pair where there are more notes than fingers. */
export const OVER_BASSES = [
  ...lessons('melody over basses', { bpm: 90, steps: 2 }, [
    [4, '5 1 1 2 2 1 1', 'p i m i m i m'],
    [4, '6 2 2 1 1', 'p m i m i'],
    [17, '[51] 1 2 2 3 3', 'pi m i m i m'],
    [4, '5 5 1 5 5 1', 'p p a p p a'],
    [17, '[31]', 'pa'],
    [17, '[61]1[61]1', 'pa m pa m'],
    [17, '[42] 2 1', 'pm i a'],
    [17, '[41] 1 2 1 1 2', 'pi m i m i m'],
    [4, '6 1 1 2 1 5 1 1 2 1', 'p i m i m p i m i m'],
    [4, '4 1 1 1 2 2 2', 'p m i m i m i'],
    [4, '5~ 1 1 2 2 6~ 2 2 1 1', 'p i m i m p m i m i'],
    [17, '[52] 2 2 1', 'pi m i m'],
    [4, '6 1 1 2', 'p a m i'],
    [4, '6.112233', 'p i m i m i m'],
    [17, '[51] 222 [61] 222', 'pi m i m pi m i m'],
    [4, '5 2 2 2 1 1 1', 'p i m i m i m'],
    [18, '4 3f2 4 3f4 4 2f1', 'p i p i p m'],
    [18, '5 2f1 5 2f3 5 1f1', 'p m p m p a'],
    [18, '6 3f2 6 3f4 6 2f3 6 3f2', 'p i p i p m p i'],
  ]),
];
