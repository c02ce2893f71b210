import type { LookUpOrder } from '@opsimath/contract/api/lookUps';
import type { SourceMarket } from '@opsimath/contract/source/answers';
import { Spin } from 'antd';
import { shallowEqual } from 'react-redux';
import { Problem } from '../../parts/words/Problem';
import { count, spelledDay } from '../../parts/words/figures';
import { lookUpApi, useLookUpPriceQuery } from '../../state/lookUpApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { nameOfMarket } from './useLookUpDraft';
import { t } from '../../words/t';

interface PriceTableProps {
  orders: readonly LookUpOrder[];
  markets: readonly SourceMarket[];
}

/** What the look-up would cost, part by part, before it is started; a table for each market, and one sum of all. */
export function PriceTable({ orders, markets }: PriceTableProps) {
  const { project } = useScope();
  const prices = useAppSelector(
    (state) =>
      orders.map((request) => lookUpApi.endpoints.lookUpPrice.select({ project, request })(state).data),
    shallowEqual,
  );
  const known = prices.flatMap((price) => price ?? []);
  const [first] = known;
  return (
    <>
      {orders.map((order) => (
        <MarketPrice
          key={order.market}
          order={order}
          name={orders.length > 1 ? nameOfMarket(markets, order.market) : null}
        />
      ))}
      {orders.length > 1 && first && known.length === orders.length && (
        <table className="lookup-price" aria-label={t('lookup:PriceTable.allMarketsTogether')}>
          <tbody>
            <tr>
              <th>{t('lookup:PriceTable.allOrdersMarketsUnits', { orders: orders.length })}</th>
              <th className="figure">{count(known.reduce((sum, { units }) => sum + units, 0))}</th>
            </tr>
            <tr>
              <td>{t('lookup:PriceTable.leftUntilRenews', { renews: spelledDay(first.renews) })}</td>
              <td className="figure">{count(first.allowance - first.spent)}</td>
            </tr>
          </tbody>
        </table>
      )}
    </>
  );
}

function MarketPrice({ order, name }: { order: LookUpOrder; name: string | null }) {
  const { project } = useScope();
  const { data: price, error, isFetching } = useLookUpPriceQuery({ project, request: order });
  if (error) return <Problem error={error} />;
  if (!price || isFetching) return <Spin size="small" style={{ marginTop: 10 }} />;
  const estimated = price.parts.some((part) => part.estimated);
  return (
    <table className="lookup-price">
      {name && <caption>{name}</caption>}
      <tbody>
        {price.parts.map((part) => (
          <tr key={part.what}>
            <td>{part.what}</td>
            <td className="figure">
              {part.held
                ? t('lookup:PriceTable.held')
                : `${part.estimated ? `${t('lookup:PriceTable.about')} ` : ''}${count(part.units)}`}
            </td>
          </tr>
        ))}
        {price.unknown.map((address) => (
          <tr key={address}>
            <td colSpan={2} className="soft">
              {t('lookup:PriceTable.addressUnknownInThisMarket', { address })}
            </td>
          </tr>
        ))}
        <tr>
          <th>{estimated ? t('lookup:PriceTable.unitsAtMost') : t('lookup:PriceTable.units')}</th>
          <th className="figure">{count(price.units)}</th>
        </tr>
        {name === null && (
          <tr>
            <td>{t('lookup:PriceTable.leftUntilRenews', { renews: spelledDay(price.renews) })}</td>
            <td className="figure">{count(price.allowance - price.spent)}</td>
          </tr>
        )}
        {price.units === 0 && (
          <tr>
            <td colSpan={2} className="soft">
              {t('lookup:PriceTable.allOfItIsHeldNothing')}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
