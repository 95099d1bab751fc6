// Loaded before the server: its clock is off by so many days.
const offMs = Number(process.env.JAUGE_TORTURE_DAYS) * 86_400_000;
const RealDate = Date;
globalThis.Date = class extends RealDate {
  constructor(...given) {
    if (given.length) super(...given);
    else super(RealDate.now() + offMs);
  }
  static now() {
    return RealDate.now() + offMs;
  }
};
