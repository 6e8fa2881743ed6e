'use client';

import { Select } from 'antd';
import { useRef, useState } from 'react';
import { CLIMATE_FACTS } from '@/core/catalog/climates';
import type { Scenario } from '@/core/design/schema';
import { CLIMATES, LIMITS, type Climate } from '@/core/catalog/vocabulary';
import { settingOf } from '@/core/energy/setting';
import type { WeatherMapping } from '@/core/formats/weatherFile';
import { faultWords } from '@/core/formats/faultWords';
import { FileChoice } from '@/ui/FileChoice';
import styles from './Energy.module.css';

/** Reading files is code of its own, fetched when there is one. */
const READER = () => import('@/core/formats/weatherFile');
const FILE = 'file';
const NEW_FILE = 'newFile';

/** A file that was not taken, so that its columns can be chosen. */
interface Refused {
  name: string;
  text: string;
  headings: string[];
  given: WeatherMapping;
}

/** The weather a scenario meets: drawn from a climate, or a year of real sun from a file. */
export function WeatherField({ scenario, onSet }: { scenario: Scenario; onSet(fields: Partial<Scenario>): string | null }) {
  const [problems, setProblems] = useState<string[]>([]);
  const [refused, setRefused] = useState<Refused | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const setting = settingOf(scenario);
  const take = async (name: string, text: string, given: WeatherMapping) => {
    const { readWeather, skiesOfYear } = await READER();
    const read = readWeather(text, given);
    if (!read.ok) {
      setProblems(read.problems.map(faultWords));
      setRefused(read.headings.length > 0 ? { name, text, headings: read.headings, given } : null);
      return;
    }
    const { latitudeDeg, longitudeDeg, place } = read.year;
    // A file that says where it was taken down is measured against the clear sky there.
    const skies = skiesOfYear(read.year, latitudeDeg ?? setting.latitudeDeg, longitudeDeg ?? setting.longitudeDeg);
    const called = (place ?? name).replace(/[\u0000-\u001f\u007f]/g, '').slice(0, LIMITS.nameLength) || 'Real weather';
    const why = onSet({ weather: { name: called, skies: Array.from(skies, (sky) => Math.round(sky * 1000) / 1000) } });
    setProblems(why ? [why] : []);
    setRefused(null);
  };
  const takeFile = async (file: File) => {
    const { MOST_WEATHER_BYTES } = await READER();
    setRefused(null);
    if (file.size > MOST_WEATHER_BYTES) return setProblems([`${file.name}: ${faultWords({ code: 'bytes', most: MOST_WEATHER_BYTES })}`]);
    await take(file.name, await file.text(), {});
  };
  return (
    <span className={styles.weather}>
      <Select<Climate | typeof FILE | typeof NEW_FILE>
        size="small"
        aria-label="Kind of weather"
        value={scenario.weather ? FILE : setting.climate}
        style={{ width: '100%' }}
        onChange={(value) => {
          if (value === NEW_FILE) chooser.current?.click();
          else if (value !== FILE) onSet({ climate: value, ...(scenario.weather && { weather: null }) });
        }}
        options={[
          ...CLIMATES.map((value) => ({ value, label: CLIMATE_FACTS[value].label })),
          ...(scenario.weather ? [{ value: FILE, label: scenario.weather.name } as const] : []),
          { value: NEW_FILE, label: 'A year of real sun, from a file…' } as const,
        ]}
      />
      <FileChoice
        label="File of real weather"
        accept=".epw,.csv,.txt,text/csv"
        chooser={chooser}
        onFile={(file) => void takeFile(file)}
        problems={problems}
      />
      {refused &&
        (
          [
            ['time', 'Column of times'],
            ['sun', 'Column of sun on the level, W/m²'],
          ] as const
        ).map(([key, label]) => (
          <Select<number>
            key={key}
            size="small"
            aria-label={label}
            placeholder={label}
            value={refused.given[key]}
            style={{ width: '100%', marginTop: 4 }}
            options={refused.headings.map((heading, at) => ({ value: at, label: heading.slice(0, 40) || `column ${at + 1}` }))}
            onChange={(at) => void take(refused.name, refused.text, { ...refused.given, [key]: at })}
          />
        ))}
    </span>
  );
}
