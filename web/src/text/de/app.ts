/** Words of the frame around all places. */
export const appWords = {
  rail: {
    label: 'Das Instrument, der tiefste Ton unten. Ein Ton öffnet seinen Schwellton am Pult.',
    note: '{{note}}, {{zone}}',
    measured: 'kürzlich gemessen',
    steady: 'kürzlich gemessen, ruhig',
    unmeasured: 'nicht kürzlich gemessen',
    seam: 'ein unebener Übergang zum Ton darüber',
  },
  app: {
    name: 'Inner Hum',
    loading: 'Einen Moment …',
    places: {
      today: 'Heute',
      stand: 'Pult',
      exercises: 'Übungen',
      horn: 'Instrument',
      overtones: 'Obertöne',
      log: 'Logbuch',
      setUp: 'Einrichten',
    },
    skip: 'Zum Inhalt',
    nav: 'Orte',
    demo: 'Beispieldaten: erfunden, vom Probespieler gespielt.',
    demoComes: 'Die Demo-Saison ist unterwegs …',
    removeDemo: 'Beispieldaten entfernen',
    shortcuts: 'Tasten',
    close: 'Schließen',
    notFound: 'Diese Seite gibt es nicht.',
    toStand: 'Zum Pult',
    crashed:
      'Etwas an der Seite ist kaputtgegangen. Was gespeichert war, ist sicher. Lade die Seite neu, um weiterzumachen.',
    placeBroken:
      'Dieser Ort konnte nicht gezeigt werden. Die anderen funktionieren, und was gespeichert war, ist sicher.',
    again: 'Noch einmal versuchen',
    mending: 'Einige Zahlen aus deinen Takes waren beschädigt. Sie werden neu berechnet …',
    settingsAside_one:
      'Eine Einstellung war nicht lesbar und steht wieder auf ihrem Anfangswert: {{parts}}. Was gespeichert war, ist beiseitegelegt.',
    settingsAside_other:
      '{{count}} Einstellungen waren nicht lesbar und stehen wieder auf ihren Anfangswerten: {{parts}}. Was gespeichert war, ist beiseitegelegt.',
    settingsNotStored:
      'Deine letzte Änderung konnte nicht gespeichert werden: {{detail}}. Sie gilt, bis diese Seite geschlossen wird.',
    memoryOnly:
      'Der Browser gibt dieser Seite keinen Speicher ({{detail}}). Was du spielst, bleibt nur, bis die Seite geschlossen wird: Sichere es vorher im Logbuch.',
    storageCame: 'Der Speicher des Browsers antwortet jetzt. Lade neu: Was du hier gespielt hast, kommt mit.',
    notBrought:
      'Was hier gespielt wurde, ließ sich nicht mitnehmen: {{detail}}. Es ist noch hier: Sichere es im Logbuch.',
    wentWrong: 'Etwas hat nicht geklappt: {{detail}}. Was gespeichert war, ist sicher.',
    notOpened: 'Nicht alles konnte geöffnet werden: {{detail}}.',
    notRecovered: 'Die Suche nach abgebrochenen Takes ist gescheitert: {{detail}}. Von ihnen wurde nichts entfernt.',
    demoFailed: 'Die Beispieldaten waren nicht lesbar: {{detail}}.',
    notDeleted: 'Das konnte nicht gelöscht werden: {{detail}}. Es ist noch da.',
    notCopied: 'Der Browser lässt diese Seite nicht an die Zwischenablage. Der Link ist: {{link}}',
    microphoneOpen: 'Mikrofon offen',
    undoFailed: 'Das konnte nicht rückgängig gemacht werden: {{detail}}. Versuche es noch einmal.',
    updateReady: 'Eine neue Version von Inner Hum ist bereit.',
    updateNow: 'Jetzt verwenden',
    reload: 'Neu laden',
  },
  drafts: {
    recovering: 'Ein abgebrochener Take wird ausgewertet: {{percent}} %.',
    stopped:
      'Dein Take vom {{when}} ({{seconds}} s) wurde nicht zu Ende ausgewertet. Er ist noch nicht unter deinen Takes.',
    failed:
      'Dein Take vom {{when}} ({{seconds}} s) konnte nicht behalten werden: {{detail}}. Er ist noch nicht unter deinen Takes.',
    noRoom:
      'Im Speicher des Browsers ist kein Platz für deinen Take vom {{when}} ({{seconds}} s). Sichere seinen Klang als Datei, oder schaffe Platz (Takes oder Klang im Logbuch löschen) und behalte ihn dann.',
    unknownTime: 'unbekannter Zeit',
    judge: 'Auswerten und behalten',
    keepSound: 'Den Klang behalten, wie er ist',
    saveSound: 'Den Klang als Datei sichern',
    remove: 'Entfernen',
    failedAgain: 'Das hat nicht geklappt: {{detail}}. Der Entwurf ist noch da.',
  },
  problems: {
    refused: {
      title: 'Der Browser lässt diese Seite nicht an das Mikrofon.',
      help: 'Erlaube es in der Adresszeile und versuche es noch einmal. Du kannst auch mit einer Klangdatei oder dem Probespieler weitermachen.',
    },
    missing: {
      title: 'Es wurde kein Mikrofon gefunden.',
      help: 'Schließe eines an und versuche es noch einmal. Du kannst auch mit einer Klangdatei oder dem Probespieler weitermachen.',
    },
    busy: {
      title: 'Das Mikrofon lässt sich nicht öffnen. Vielleicht benutzt es ein anderes Programm.',
      help: 'Schließe das andere Programm und versuche es noch einmal, oder wähle unter Einrichten ein anderes Mikrofon.',
    },
    unplugged: {
      title: 'Das Mikrofon ist weg.',
      help: 'Was von einem Take bis dahin gespielt war, ist behalten, wenn es eine Sekunde oder mehr war. Stecke es wieder ein und mach weiter.',
    },
    suspended: {
      title: 'Der Browser hat den Ton angehalten.',
      help: 'Was von einem Take bis dahin gespielt war, ist behalten, wenn es eine Sekunde oder mehr war. Drücke „Noch einmal versuchen“.',
    },
    noFile: {
      title: 'Es ist keine Klangdatei gewählt.',
      help: 'Wähle eine unter Einrichten, oder nimm das Mikrofon.',
    },
    badFile: {
      title: 'Diese Datei lässt sich nicht als Klang lesen.',
      help: 'WAV, FLAC, MP3 und OGG gehen meistens. Wähle unter Einrichten eine andere.',
    },
    failed: {
      title: 'Der Ton ließ sich nicht starten.',
      help: 'Es wurde nichts aufgenommen. Versuche es noch einmal; bleibt es so, lade die Seite neu.',
    },
    earDeadAtOnce: {
      title: 'Der Teil, der zuhört, ist stehen geblieben.',
      help: 'Von diesem Take ist nichts behalten: Er hatte erst begonnen. Versuch es noch einmal: Er ist neu gestartet.',
    },
    earDead: {
      title: 'Der Teil, der zuhört, ist stehen geblieben.',
      help: 'Was vom Take schon abgelegt war, ist behalten, seine letzte Sekunde nicht. Versuche es noch einmal: Er ist neu gestartet.',
    },
    gaveWay: {
      title: 'Eine andere Aufnahme hat begonnen.',
      help: 'Was hier gehört wurde, ist zu Ende. Versuche es noch einmal, wenn die andere vorbei ist.',
    },
    insecure: {
      title: 'Der Browser gibt das Mikrofon nur Seiten, die über https kommen.',
      help: 'Öffne Inner Hum über https oder auf diesem Gerät selbst. Alles andere geht: der Probespieler, Klangdateien, deine Takes.',
    },
    retry: 'Noch einmal versuchen',
    useStandIn: 'Den Probespieler nehmen',
    toSetUp: 'Zu Einrichten',
    dismiss: 'Ausblenden',
  },
  shortcuts: {
    find: 'Eine Handlung suchen',
    guide: 'Wörter und Zeichnungen',
    title: 'Tasten',
    rows: {
      start: 'Einen Take starten oder beenden; unter Heute: die Übezeit beginnen',
      pause: 'Den Take oder den Block anhalten',
      again: 'Dasselbe noch einmal spielen',
      next: 'Den vorgeschlagenen nächsten Schritt nehmen',
      leave: 'Für heute lassen; ein Block geht weiter',
      home: 'Tiefe Probe, und zurück',
      full: 'Ganzer Bildschirm an oder aus',
      hide: 'Stimmgerät verbergen oder zeigen',
      click: 'Klick an oder aus',
      reference: 'Den Ton hören',
      free: 'Freies Spiel oder Übung',
      tempo: 'Tempo um 2 langsamer oder schneller',
      note: 'Einen Halbton tiefer oder höher',
      evened: 'Nach einem Take: deinen Ton ausgeglichen hören',
      switch: 'In einem Take: das eine oder das andere hören',
      help: 'Diese Liste',
    },
    pedal: 'Blätterpedale senden Bild auf und Bild ab.',
  },
} as const;
