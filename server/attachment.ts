import { settingsOf, type Design } from '@/core/design/design';
import { plainName } from '@/core/units/text';

/** A response the browser saves under the design's name. */
export function attachment(design: Design, body: BodyInit, type: string, ending: string): Response {
  const { name } = settingsOf(design);
  const plain = plainName(name, 'design');
  return new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${plain}.${ending}"; filename*=UTF-8''${encodeURIComponent(`${name}.${ending}`)}`,
      'cache-control': 'no-store',
    },
  });
}
