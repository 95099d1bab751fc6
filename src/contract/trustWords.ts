/** What a person is told of trusting the computer's certificate, on the page and in the terminal alike. */

export type TrustSystem = 'android' | 'ios';

export const TRUST_SYSTEMS = [
  { value: 'android', name: 'Android' },
  { value: 'ios', name: 'iPhone, iPad' },
] as const;

/** Three steps each, the last of which brings the application to the home screen. */
export const TRUST_STEPS: Record<TrustSystem, readonly string[]> = {
  android: [
    'On the phone, open “Take it along” in Kit and press “Get the certificate”. The phone keeps the file with its downloads.',
    'In the settings of the phone, look for “CA certificate” (Security, Encryption and credentials, Install a certificate), choose “Install anyway” and the file.',
    'Close Jauge in the browser, open the address again, and choose “Add to home screen” in the browser’s menu.',
  ],
  ios: [
    'On the phone, open “Take it along” in Kit, in Safari, press “Get the certificate” and allow the profile.',
    'In Settings, General, VPN and device management, install the profile “Jauge at home”; then in General, About, Certificate trust settings, switch it on.',
    'Close Jauge in the browser, open the address again, and choose Share, “Add to Home Screen”.',
  ],
};

export const TRUST_MEANS =
  'From then on the phone believes every certificate signed with the key in the folder “lan” beside the data file, not Jauge’s alone: whoever has that key could pass for any site. It never leaves that folder, which is open to you alone. Take the certificate off the phone, in the same settings, when you give up Jauge, the phone or the computer.';
