/** Who may import whom. The layers are described in the README and in src/core/README.md. */
const rule = (name, from, to, comment) => ({ name, severity: 'error', comment, from, to });
const only = (name, layer, allowed, except = []) =>
  rule(
    name,
    { path: `^src/${layer}/`, pathNot: ['\\.test\\.tsx?$'] },
    { path: '^src/', pathNot: [`^src/(${[layer, ...allowed].join('|')})/`, ...except] },
    `${layer} may import ${allowed.join(', ') || 'nothing'}`,
  );

module.exports = {
  forbidden: [
    rule('no-cycles', {}, { circular: true }, 'A cycle has no first file to read.'),
    rule(
      'resolvable',
      {},
      { couldNotResolve: true, pathNot: ['^astro:', '^virtual:', '\\?url$'] },
      'Every import exists.',
    ),
    rule(
      'core-no-package',
      { path: '^src/core/', pathNot: ['\\.test\\.ts$'] },
      { dependencyTypes: ['npm', 'npm-dev', 'core', 'npm-optional', 'npm-peer'] },
      'The core is pure: no package, no Node module.',
    ),
    only('core-only-core', 'core', []),
    rule(
      'units-first',
      { path: '^src/core/units/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/', pathNot: ['^src/core/(units/|result\\.ts$)'] },
      'units import only result',
    ),
    rule(
      'standards-second',
      { path: '^src/core/standards/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/', pathNot: ['^src/core/(standards/|units/|result\\.ts$)'] },
      'standards import only units and result',
    ),
    rule(
      'model-third',
      { path: '^src/core/kit/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/', pathNot: ['^src/core/(kit/|standards/|units/|result\\.ts$)'] },
      'the model of the kit imports only standards and units',
    ),
    rule(
      'cards-and-bodies-below-match',
      { path: '^src/core/(cards|bodies|heat/writepath)/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/(match|heat/run)/' },
      'what a card promises, what a body writes and the write path do not know match or the heat run',
    ),
    rule(
      'match-not-heat',
      { path: '^src/core/match/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/heat/' },
      'match does not know the heat run',
    ),
    rule(
      'prove-above-match-and-heat',
      { path: '^src/core/(match|heat|cards|bodies)/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/prove/' },
      'what tests bear out leans on the answers, and no answer on it: the rules of tests stand in match',
    ),
    rule(
      'ask-last',
      { path: '^src/core/(match/(?!ask/)|heat/)', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/core/match/ask/' },
      'only the quick check knows the quick check',
    ),
    only('solving', 'solving', ['core']),
    only('workers', 'workers', ['core', 'kit', 'reading', 'solving']),
    only('reading', 'reading', ['core', 'kit']),
    rule(
      'protocol-types-only',
      { path: '^src/workers/[^/]+\\.protocol\\.ts$' },
      { dependencyTypesNot: ['type-only'] },
      'a protocol is types: both sides import it',
    ),
    only('text', 'text', ['core', 'kit', 'reading'], ['^src/store/']),
    rule(
      'text-types-only',
      { path: '^src/text/', pathNot: ['\\.test\\.ts$'] },
      { path: '^src/(kit|store|reading)/', pathNot: ['^src/kit/collections\\.ts$'], dependencyTypesNot: ['type-only'] },
      'text words the codes of kit and store, and runs nothing of them but the table of the lists, which has their words',
    ),
    only('kit', 'kit', ['core']),
    only('store', 'store', ['core', 'kit']),
    only('server', 'server', ['core', 'kit', 'text', 'reading', 'solving']),
    rule(
      'http-outermost',
      { path: '^src/(server/(?!http/)|pages/api/)' },
      { path: '^src/server/http/' },
      'calls do not know how they are sent',
    ),
    only('offline', 'offline', []),
    rule(
      'api',
      { path: '^src/pages/api/' },
      { path: '^src/', pathNot: ['^src/(pages/api|core|kit|text|server)/'] },
      'endpoints know core, kit, text, server',
    ),
    only('app', 'app', ['core', 'text', 'kit', 'reading', 'store', 'workers']),
    only('ui', 'ui', ['core', 'text', 'kit', 'app'], ['^src/store/']),
    rule(
      'ui-store-types-only',
      { path: '^src/(ui|islands|pages)/' },
      { path: '^src/(store|workers)/', dependencyTypesNot: ['type-only'] },
      'views reach the store through app; its types may be named',
    ),
    rule(
      'views-no-dexie',
      { path: '^src/(ui|islands|pages|layouts)/' },
      { path: 'node_modules/(dexie|comlink)' },
      'views reach storage and workers through app',
    ),
    rule(
      'islands-core-types-only',
      { path: '^src/islands/' },
      { path: '^src/core/', pathNot: ['^src/core/entryAt\\.ts$'], dependencyTypesNot: ['type-only'] },
      'an island draws: what is worked out for it comes from app',
    ),
    only('islands', 'islands', ['core', 'text', 'kit', 'reading', 'app', 'ui']),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'browser', 'default', 'types'] },
  },
};
