/** Words of the frame around all places. */
export const appWords = {
  rail: {
    label: 'Il sassofono, la nota più grave in basso. Una nota apre la sua messa di voce al leggio.',
    note: '{{note}}, {{zone}}',
    measured: 'misurata di recente',
    steady: 'misurata di recente, ferma',
    unmeasured: 'non misurata di recente',
    seam: 'una giuntura diseguale con la nota sopra',
  },
  app: {
    name: 'Inner Hum',
    loading: 'Un momento …',
    places: {
      today: 'Oggi',
      stand: 'Leggio',
      exercises: 'Esercizi',
      horn: 'Sassofono',
      overtones: 'Armonici',
      log: 'Diario',
      setUp: 'Imposta',
    },
    skip: 'Vai alla pagina',
    nav: 'Luoghi',
    demo: 'Dati di esempio: inventati, suonati dal suonatore di prova.',
    demoComes: 'La stagione dimostrativa è in arrivo …',
    removeDemo: 'Togli i dati di esempio',
    shortcuts: 'Tasti',
    close: 'Chiudi',
    notFound: 'Questa pagina non c’è.',
    toStand: 'Vai al leggio',
    crashed: 'Qualcosa nella pagina si è rotto. Quello che era salvato è al sicuro. Ricarica la pagina per continuare.',
    placeBroken: 'Questo luogo non si è potuto mostrare. Gli altri funzionano, e quello che era salvato è al sicuro.',
    again: 'Riprova',
    mending: 'Alcune cifre delle tue riprese erano rovinate. Si stanno ricalcolando …',
    settingsAside_one:
      'Un’impostazione non si leggeva ed è tornata al valore iniziale: {{parts}}. Ciò che era salvato è messo da parte.',
    settingsAside_other:
      '{{count}} impostazioni non si leggevano e sono tornate ai valori iniziali: {{parts}}. Ciò che era salvato è messo da parte.',
    settingsNotStored:
      'La tua ultima modifica non si è potuta salvare: {{detail}}. Vale finché questa pagina resta aperta.',
    memoryOnly:
      'Il browser non dà memoria a questa pagina ({{detail}}). Quello che suoni resta solo finché è aperta: prima salva una copia nel Diario.',
    storageCame: 'La memoria del browser ora risponde. Ricarica: quello che hai suonato qui viene con te.',
    notBrought:
      'Quello che è stato suonato qui non si è potuto portare: {{detail}}. È ancora qui: salva una copia nel Diario.',
    wentWrong: 'Qualcosa non ha funzionato: {{detail}}. Quello che era salvato è al sicuro.',
    notOpened: 'Non tutto si è potuto aprire: {{detail}}.',
    notRecovered: 'La ricerca delle riprese interrotte è fallita: {{detail}}. Non ne è stato tolto nulla.',
    demoFailed: 'I dati di esempio non si sono potuti leggere: {{detail}}.',
    notDeleted: 'Non si è potuto eliminare: {{detail}}. È ancora lì.',
    notCopied: 'Il browser non lascia usare gli appunti a questa pagina. Il collegamento è: {{link}}',
    microphoneOpen: 'Microfono aperto',
    undoFailed: 'Non si è potuto annullare: {{detail}}. Riprova.',
    updateReady: 'Una nuova versione di Inner Hum è pronta.',
    updateNow: 'Usala adesso',
    reload: 'Ricarica',
  },
  drafts: {
    recovering: 'Una ripresa interrotta viene valutata: {{percent}} %.',
    stopped:
      'La tua ripresa del {{when}} ({{seconds}} s) non è stata valutata fino in fondo. Non è ancora tra le tue riprese.',
    failed:
      'La tua ripresa del {{when}} ({{seconds}} s) non si è potuta tenere: {{detail}}. Non è ancora tra le tue riprese.',
    noRoom:
      'Nella memoria del browser non c’è posto per la tua ripresa del {{when}} ({{seconds}} s). Salva il suo suono in un file, o fai posto (elimina riprese o suoni nel Diario), poi tienila.',
    unknownTime: 'data sconosciuta',
    judge: 'Valutala e tienila',
    keepSound: 'Tieni il suono com’è',
    saveSound: 'Salva il suono in un file',
    remove: 'Toglila',
    failedAgain: 'Non ha funzionato: {{detail}}. La bozza è ancora qui.',
  },
  problems: {
    refused: {
      title: 'Il browser non lascia usare il microfono a questa pagina.',
      help: 'Permettilo nella barra degli indirizzi, poi riprova. Puoi anche continuare con un file audio o con il suonatore di prova.',
    },
    missing: {
      title: 'Nessun microfono trovato.',
      help: 'Collegane uno, poi riprova. Puoi anche continuare con un file audio o con il suonatore di prova.',
    },
    busy: {
      title: 'Il microfono non si apre. Forse lo usa un altro programma.',
      help: 'Chiudi l’altro programma, poi riprova, o scegli un altro microfono in Imposta.',
    },
    unplugged: {
      title: 'Il microfono non c’è più.',
      help: 'Ciò che era suonato di una ripresa fino a lì è tenuto, se era un secondo o più. Ricollegalo e continua.',
    },
    suspended: {
      title: 'Il browser ha messo in pausa il suono.',
      help: 'Ciò che era suonato di una ripresa fino a lì è tenuto, se era un secondo o più. Premi Riprova.',
    },
    noFile: {
      title: 'Nessun file audio scelto.',
      help: 'Scegline uno in Imposta, o usa il microfono.',
    },
    badFile: {
      title: 'Questo file non si legge come suono.',
      help: 'WAV, FLAC, MP3 e OGG di solito sì. Scegline un altro in Imposta.',
    },
    failed: {
      title: 'Il suono non è partito.',
      help: 'Non è stato registrato nulla. Riprova; se resta così, ricarica la pagina.',
    },
    earDeadAtOnce: {
      title: 'La parte che ascolta si è fermata.',
      help: 'Di questa ripresa non è tenuto nulla: era appena iniziata. Riprova: è stata riavviata.',
    },
    earDead: {
      title: 'La parte che ascolta si è fermata.',
      help: 'Ciò che era già messo da parte della ripresa è tenuto, l’ultimo secondo no. Riprova: è ripartita.',
    },
    gaveWay: {
      title: 'È cominciata un’altra registrazione.',
      help: 'L’ascolto qui è finito. Riprova quando l’altra sarà terminata.',
    },
    insecure: {
      title: 'Il browser dà il microfono solo alle pagine arrivate via https.',
      help: 'Apri Inner Hum via https, o su questo stesso apparecchio. Tutto il resto funziona: il suonatore di prova, i file audio, le tue riprese.',
    },
    retry: 'Riprova',
    useStandIn: 'Usa il suonatore di prova',
    toSetUp: 'Apri Imposta',
    dismiss: 'Nascondi',
  },
  shortcuts: {
    find: 'Cerca un’azione',
    guide: 'Parole e disegni',
    title: 'Tasti',
    rows: {
      start: 'Comincia o ferma una ripresa; in Oggi, comincia lo studio',
      pause: 'Ferma la ripresa o il blocco',
      again: 'Suona di nuovo lo stesso',
      next: 'Prendi il passo proposto',
      leave: 'Lascialo per oggi; un blocco continua',
      home: 'Prova del grave, e ritorno',
      full: 'Schermo intero sì o no',
      hide: 'Nascondi o mostra l’accordatore',
      click: 'Clic sì o no',
      reference: 'Ascolta la nota',
      free: 'Libero o esercizio',
      tempo: 'Tempo più lento o più veloce di 2',
      note: 'Nota un semitono più giù o più su',
      evened: 'Dopo una ripresa: ascolta il tuo suono pareggiato',
      switch: 'In una ripresa: ascolta l’una o l’altra',
      help: 'Questo elenco',
    },
    pedal: 'I pedali voltapagina mandano Pagina su e Pagina giù.',
  },
} as const;
