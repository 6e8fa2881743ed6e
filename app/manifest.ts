import type { MetadataRoute } from 'next';

/** What a phone is told when the program is put on its home screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Vine Knot',
    short_name: 'Vine Knot',
    description: '12-volt house systems, designed, built and checked',
    start_url: '/',
    display: 'standalone',
    background_color: '#f3efe3',
    theme_color: '#3f6b33',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
