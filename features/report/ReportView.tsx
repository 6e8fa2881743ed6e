import type { ReactNode } from 'react';
import type { ReportPage } from '@/server/reports';
import { DayChart } from '@/features/energy/DayChart';
import { Table } from '@/ui/Table';
import { WindowTitle } from '@/ui/WindowTitle';
import { PrintButton } from './PrintButton';
import styles from './Report.module.css';

interface ReportViewProps extends ReportPage {
  /** Where it is to be had as PDF. */
  pdf: string;
  /** What stands at the start of the bar above it. */
  lead: ReactNode;
  /** Further things to do with it. */
  more?: ReactNode;
}

/** The report as a page: read it, print it, or save it as PDF. */
export function ReportView({ report, days, date, pdf, lead, more }: ReportViewProps) {
  return (
    <main className={styles.report}>
      <WindowTitle says={['Report', report.title]} />
      <nav className={styles.bar}>
        {lead}
        <span>
          {more}
          <PrintButton />
          <a download href={pdf}>
            Save as PDF
          </a>
        </span>
      </nav>
      <header className={styles.head}>
        <h1>{report.title}</h1>
        <p>
          {report.subject}, {date}
        </p>
      </header>
      <dl className={styles.facts}>
        {report.facts.map(({ name, value }) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd className="reading">{value}</dd>
          </div>
        ))}
      </dl>
      <section className={styles.cautions}>
        <h2>Before you start</h2>
        <ul>
          {report.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </section>
      {report.sections.map(({ title, text, columns, rows, ownPage, drawsDays }) => (
        <section key={title} className={ownPage ? styles.ownPage : undefined}>
          <h2>{title}</h2>
          {text && <p>{text}</p>}
          <Table
            columns={columns.map(({ title, align }, at) => ({
              head: title || <span className="visually-hidden">How bad</span>,
              as: align === 'right' ? ('figure' as const) : undefined,
              cell: (row: readonly string[]) => row[at],
            }))}
            rows={rows}
            keyOf={(_, at) => at}
          />
          {drawsDays &&
            days
              .filter(({ day }) => day.uses.length > 0)
              .map(({ name, day }) => (
                <div key={name} className={styles.day}>
                  <h3>A day of {name}</h3>
                  <DayChart day={day} />
                </div>
              ))}
        </section>
      ))}
      <footer>
        <h2>Sources</h2>
        <ul>
          {report.sources.map((source) => (
            <li key={source}>{source}</li>
          ))}
        </ul>
      </footer>
    </main>
  );
}
