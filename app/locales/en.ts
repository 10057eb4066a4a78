import comingIn from './everybody/comingIn'
import page from './everybody/page'
import reasons from './everybody/reasons'
import slate from './everybody/slate'

/**
 * What everybody may read, a file for each part of the work. Two forms stand as "one | many", three as
 * "none | one | many"; {count} picks.
 */
export default { ...comingIn, ...slate, ...page, ...reasons }
