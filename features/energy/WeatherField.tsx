'use client';

import { Select } from 'antd';
import { useRef, useState } from 'react';
import { CLIMATE_FACTS } from '@/core/catalog/climates';
import type { Scenario } from '@/core/design/schema';
import { CLIMATES, LIMITS, type Climate } from '@/core/design/vocabulary';
import { settingOf } from '@/core/energy/setting';
import { MOST_WEATHER_BYTES, readWeather, skiesOfYear } from '@/core/formats/weatherFile';
import { FileChoice } from '@/ui/FileChoice';
import styles from './Energy.module.css';

const FILE = 'file';
const NEW_FILE = 'newFile';

/** The weather a scenario meets: drawn from a climate, or a year of real sun from a file. */
export function WeatherField({ scenario, onSet }: { scenario: Scenario; onSet(fields: Partial<Scenario>): string | null }) {
  const [problems, setProblems] = useState<string[]>([]);
  const chooser = useRef<HTMLInputElement>(null);
  const setting = settingOf(scenario);
  const take = async (file: File) => {
    if (file.size > MOST_WEATHER_BYTES) return setProblems([`${file.name} is larger than ${MOST_WEATHER_BYTES / 1_000_000} MB`]);
    const read = readWeather(await file.text());
    if (!read.ok) return setProblems(read.problems);
    const { latitudeDeg, longitudeDeg, place } = read.year;
    // A file that says where it was taken down is measured against the clear sky there.
    const skies = skiesOfYear(read.year, latitudeDeg ?? setting.latitudeDeg, longitudeDeg ?? setting.longitudeDeg);
    const name = (place ?? file.name).replace(/[\u0000-\u001f\u007f]/g, '').slice(0, LIMITS.nameLength) || 'Real weather';
    const refused = onSet({ weather: { name, skies: Array.from(skies, (sky) => Math.round(sky * 1000) / 1000) } });
    setProblems(refused ? [refused] : []);
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
        onFile={(file) => void take(file)}
        problems={problems}
      />
    </span>
  );
}
