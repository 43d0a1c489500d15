import type { Finding } from '@quay/core/findings/finding';
import type { HirePack } from '@quay/contract/hire';
import { say } from '@quay/core/words/words';
import { spokenReading } from '@quay/core/fuel/level';
import type { Line } from '@quay/core/settlement/statement';
import { useTranslation } from 'react-i18next';
import type { TagKind } from '../../ui/board';
import { distanceOf, figure } from '../../ui/format';
import { useMoney } from '../../ui/controls/money';
import { measures } from '../../ui/units';

/** Nothing was entered; that is not the same as none. */
const NOT_ENTERED = '–';

export type FindingWords = { what: string; why: string; out: string; in: string; is: string; tag: TagKind; price: string };

/** A finding put in words: what, out, in, what it is, and why. */
export const useFindingWords = (pack: HirePack): ((finding: Finding, line: Line | undefined) => FindingWords) => {
  const { t, i18n } = useTranslation();
  const money = useMoney(pack.prices.currency);
  const none = t('compare.none');
  return (finding, line) => {
    const price = line
      ? line.amountMinor === undefined
        ? t('compare.noPrice')
        : `${line.price ? `${say(line.price.name, i18n.language)} ` : ''}${money(line.amountMinor)}`
      : '';
    const howBriefed = finding.briefed === undefined ? '' : t(`compare.howTold.${finding.briefed}`);
    const decided = finding.decision ? t(`compare.decided.${finding.decision}`) : undefined;
    const tag: TagKind = finding.decision ? (finding.decision === 'askManager' ? 'stop' : 'ok') : finding.chargeable ? 'ask' : 'ok';
    const withDecision = (is: string) => (decided ? `${is} · ${decided}` : is);
    switch (finding.topic) {
      case 'mark': {
        const mark = finding.in ?? finding.out;
        const size = (m: typeof mark) => (m ? measures().small(m.sizeMm) : none);
        const why =
          finding.is === 'new'
            ? finding.nearestM === undefined
              ? t('compare.why.mark.newNone')
              : t('compare.why.mark.newNear', { d: distanceOf(finding.nearestM) })
            : finding.is === 'grown'
              ? t('compare.why.mark.grown', { ratio: figure((finding.in?.sizeMm ?? 1) / (finding.out?.sizeMm ?? 1)) })
              : finding.is === 'known'
                ? t('compare.why.mark.known')
                : t(`compare.why.mark.${finding.is}`);
        return {
          what: `${mark ? t(`mark.${mark.kind}`) : ''}, ${finding.surface ? say(finding.surface.name, i18n.language) : ''}`,
          why,
          out: size(finding.out),
          in: size(finding.in),
          is: withDecision(t(`compare.is.mark.${finding.is}`)),
          tag,
          price,
        };
      }
      case 'count':
        return {
          what: say(finding.fitting.name, i18n.language),
          why: howBriefed,
          out: finding.out === undefined ? NOT_ENTERED : String(finding.out),
          in: finding.in === undefined ? NOT_ENTERED : String(finding.in),
          is: withDecision(t(`compare.is.count.${finding.is}`)),
          tag: finding.is === 'notCounted' ? 'ask' : tag,
          price,
        };
      case 'propeller':
        return {
          what: say(finding.propeller.name, i18n.language),
          why: howBriefed,
          out: finding.outRpm === undefined ? '' : `${figure(finding.outRpm)} 1/min`,
          in: finding.inRpm === undefined ? '' : `${figure(finding.inRpm)} 1/min`,
          is: withDecision(t(`compare.is.propeller.${finding.is}`)),
          tag: finding.is === 'notSeen' || finding.is === 'cannotTell' ? 'ask' : tag,
          price,
        };
      case 'fuel': {
        const { fuel } = finding;
        const span = (e: { value: number; low: number; high: number } | undefined) =>
          e ? `${measures().figure(e.value, 'L', 0)} ± ${measures().litres((e.high - e.low) / 2)}` : NOT_ENTERED;
        const why = [
          finding.meteredL !== undefined
            ? t('compare.why.fuelMetered', { n: measures().litres(finding.meteredL, 1) })
            : fuel?.used
              ? t('compare.why.fuelLow')
              : '',
          ...(fuel?.odd ?? []).map((odd) =>
            t('compare.why.fuelOdd', { method: t(`compare.why.method.${odd.method}`), l: measures().litres(Math.abs(odd.awayL)) }),
          ),
          fuel?.askThird ? t('compare.why.fuelThird') : '',
          finding.filledL > 0 ? t('compare.why.filled', { n: measures().litres(finding.filledL, 1) }) : '',
          finding.onTheirWord ? t('compare.why.renterOnly') : '',
        ]
          .filter(Boolean)
          .join('; ');
        const taken = finding.decision === 'credit' || finding.decision === 'notOurs' ? ` · ${t(`compare.fills.${finding.decision}`)}` : '';
        return {
          what: t('compare.rows.fuel', { tank: say(finding.tank.name, i18n.language) }),
          why,
          out: span(fuel?.out),
          in: span(fuel?.in),
          is: fuel?.used
            ? `${t('compare.is.fuel.used', { low: measures().figure(fuel.used.low, 'L', 0), high: measures().litres(fuel.used.high) })}${taken}`
            : t('compare.is.fuel.notRead'),
          tag: 'ask',
          price,
        };
      }
      case 'gauge':
        return {
          what: say(finding.gauge.name, i18n.language),
          why: '',
          out: spokenReading(finding.gauge, finding.out, measures()),
          in: spokenReading(finding.gauge, finding.in, measures()),
          is: t('compare.is.gauge.differs'),
          tag: 'calm',
          price,
        };
      case 'hours':
        return {
          what: t('compare.rows.hours'),
          why: [
            finding.plannedHours === undefined ? '' : t('compare.why.planned', { n: figure(finding.plannedHours) }),
            finding.burnL === undefined ? '' : t('compare.why.burn', { n: measures().litres(finding.burnL) }),
          ]
            .filter(Boolean)
            .join('; '),
          out: '',
          in: '',
          is: t(`compare.is.hours.${finding.is}`, { n: figure(finding.hours) }),
          tag: finding.is === 'run' ? 'calm' : 'ask',
          price,
        };
      case 'tank':
        return {
          what: say(finding.tank.name, i18n.language),
          why: '',
          out: finding.outL === undefined ? NOT_ENTERED : measures().litres(finding.outL),
          in: measures().litres(finding.inL),
          is: withDecision(t('compare.is.tank.fuller')),
          tag,
          price,
        };
      case 'check':
        return {
          what: say(finding.check.name, i18n.language),
          why: [howBriefed, finding.note ?? ''].filter(Boolean).join('; '),
          out: say(finding.check.ways[0]!.name, i18n.language),
          in: finding.way ? say(finding.way.name, i18n.language) : NOT_ENTERED,
          is: withDecision(finding.way ? say(finding.way.name, i18n.language) : t('compare.is.check.notLooked')),
          tag: finding.chargeable ? tag : 'ask',
          price,
        };
      case 'extra':
        return {
          what: t('compare.rows.extra'),
          why: [finding.text, howBriefed].filter(Boolean).join('; '),
          out: '',
          in: '',
          is: withDecision(t(`compare.is.extra.${finding.is}`)),
          tag,
          price,
        };
      case 'receipt':
        return {
          what: t('compare.rows.receipt'),
          why: finding.text,
          out: '',
          in: money(finding.amountMinor),
          is: withDecision(t(`compare.is.receipt.${finding.is}`)),
          tag,
          price,
        };
      case 'late':
        return {
          what: t('compare.rows.late'),
          why: '',
          out: '',
          in: '',
          is: t(`compare.is.late.${finding.is}`, { n: finding.minutes }),
          // Within the operator's grace it costs nothing, and asks nothing.
          tag: line ? 'ask' : 'ok',
          price,
        };
      case 'conflict': {
        const id = finding.subject.at(-1) ?? '';
        const named = [...pack.book.fittings, ...pack.book.gauges, ...pack.book.propellers].find((one) => one.id === id);
        return {
          what: `${t('compare.rows.conflict')}: ${named ? say(named.name, i18n.language) : id}`,
          why: '',
          out: '',
          in: '',
          is: t('compare.is.conflict.open'),
          tag: 'stop',
          price,
        };
      }
    }
  };
};
