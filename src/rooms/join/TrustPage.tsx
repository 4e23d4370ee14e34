/** How a phone comes to trust this machine's own certificate, in plain steps. */
export const TrustPage = () => (
  <main className="mx-auto max-w-2xl px-4 py-8">
    <h1 className="mb-4">Trust this machine, once</h1>
    <p className="mb-4">
      The leader’s machine speaks over an encrypted line with a certificate it has made itself. Your device
      must be told once that it is the leader’s. The certificate is good for this machine and for addresses of
      home networks only. If the leader did not tell you to come here, stop.
    </p>
    <p className="mb-6">
      <a className="btn btn-primary btn-lg" href="/lantern-ca.crt">
        Fetch the certificate
      </a>
    </p>
    <Steps
      title="On an iPhone or iPad"
      steps={[
        "Fetch the certificate with the button above and allow the download.",
        "Open Settings: near the top it says that a profile was downloaded. Open it and install it.",
        "Still in Settings, go to General, About, Certificate Trust Settings, and switch “Shared Lantern” on.",
      ]}
    />
    <Steps
      title="On an Android phone or tablet"
      steps={[
        "Fetch the certificate with the button above.",
        "In Settings, look for “CA certificate” (under Security, Encryption and credentials) and choose the file.",
        "The device warns that others may read its traffic: that is true of any such certificate, and the reason to take one only from a leader you know.",
      ]}
    />
    <Steps
      title="On a computer"
      steps={[
        "Fetch the certificate, and open it with the system’s keychain or certificate manager as a trusted root.",
        "A browser with a store of its own wants it there: Settings, Certificates, Authorities, Import.",
      ]}
    />
    <Steps
      title="Then"
      steps={[
        "Open the leader’s address again, with https:// before it, and join.",
        "After the evening the certificate can be taken away in the same place.",
      ]}
    />
  </main>
);

const Steps = ({ title, steps }: { title: string; steps: readonly string[] }) => (
  <section className="mb-5">
    <h2 className="mb-1">{title}</h2>
    <ol className="list-decimal pl-6">
      {steps.map((step) => (
        <li key={step}>{step}</li>
      ))}
    </ol>
  </section>
);
