import { TryBudget } from 'pimbot/tools';

/** A budget that counts what is looked at. */
export class Counting extends TryBudget {
  looks = 0;

  override spend(looks: number): void {
    this.looks += looks;
    super.spend(looks);
  }
}
