/** What a part asks its style for: the classes that its rules and its own figures hang on. */
const USE_STYLE = [
  "import useToken from '../../theme/useToken';",
  'const useStyle = () => { const [, , hashId, , cssVar] = useToken(); return [hashId, cssVar.key]; };',
];

/** A value written out on one line, which parts may ask for too. */
const VALUE = /^export const \w+ = [^()\n]*;$/gm;
const MADE = /^export (?:const|function) (\w+)\b(?! = [^()\n]*;$)/gm;
const PASSED_ON = /^export \{([^}]*)\};$/gm;

/**
 * A loader for the bundler: the rules of the kit's parts are in kit.css, so what works them out in a browser is left out of what is sent to
 * it. Takes the source of a part's `style/index.js`, gives a module with the same exports.
 */
export default function leaveOutStyles(source) {
  if (!source.includes('genStyleHooks(')) return source;
  const own = source.includes('\nexport default ') ? ['export default useStyle;'] : [];
  const values = Array.from(source.matchAll(VALUE), ([line]) => line);
  const made = Array.from(source.matchAll(MADE), ([, name]) => name);
  const passedOn = Array.from(source.matchAll(PASSED_ON), ([, names]) => names.split(',')).flat();
  const empty = [...made, ...passedOn].map((name) => name.trim()).filter((name) => name !== '');
  return [
    ...USE_STYLE,
    ...own,
    ...values,
    ...empty.map((name) => `export const ${name} = ${name.startsWith('use') ? 'useStyle' : '() => ({})'};`),
  ].join('\n');
}
