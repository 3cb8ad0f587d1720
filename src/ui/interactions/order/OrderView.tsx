'use client';

import { ordersSome, type OrderModel } from '@/core/interactions/order';
import type { InteractionProps } from '../types';
import { OrderAll } from './OrderAll';
import { OrderSome } from './OrderSome';

/** A list to be put in order: all of it where it stands, or some of it picked one after another. */
export function OrderView(props: InteractionProps<OrderModel>) {
  return ordersSome(props.model) ? <OrderSome {...props} /> : <OrderAll {...props} />;
}
