/** Words of the guide. */
export const guideWords = {
  guide: {
    title: 'Palabras y dibujos',
    why: 'Qué significan aquí los términos y cómo se leen los dibujos. Todo está en este dispositivo.',
    search: 'Buscar una palabra',
    none: 'Esa palabra no está aquí.',
    read: 'Cómo se lee',
    termsTitle: 'Términos',
    print: 'Imprimir',
    drawings: {
      ribbon: {
        name: 'La cinta',
        first: 'La línea es la altura: arriba alto, abajo bajo; los trazos son tu ventana.',
        second: 'La banda es la dinámica: cuanto más gruesa, más fuerte. Pálido o a trazos es lo previsto.',
        third: 'Puntos en lugar de banda llena: aire en el sonido. Otro color con un número: otro parcial.',
        fourth: 'Un corchete es el lugar del que habla la frase. Rayado: sonido que el dispositivo perdió.',
      },
      rail: {
        name: 'La barra de la izquierda',
        first: 'Una marca para cada nota escrita de tu instrumento, la más alta arriba.',
        second:
          'Lleno: medido hace poco, afinado y firme. A medias: medido hace poco, pero aún no así. Vacío: sin medir hace tiempo.',
        third: 'La segunda fila son los semitonos entre ellas.',
        fourth: 'Un pequeño signo rojo: una unión desigual con la nota de arriba.',
      },
      map: {
        name: 'El mapa del instrumento',
        first: 'Cada fila es una nota, con tres barras: suave, medio, fuerte.',
        second: 'A la derecha es más (más alto, más lento, más claro); la línea vertical es donde debe estar.',
        third: 'La línea fina en una barra dice cuán seguro es: corta es seguro.',
        fourth: 'Señala una nota para verla grande, púlsala para abrirla.',
      },
      lattice: {
        name: 'La tabla de armónicos',
        first: 'Cada fila es una nota grave digitada, cada columna un parcial que se sopla en ella.',
        second: 'La barra dice cuántas veces sale: llena según tus intentos, en contorno donde es solo lo habitual.',
        third: 'El número pequeño dice cuánto se aparta de la altura temperada, en cents.',
        fourth: 'Lo enmarcado es lo siguiente para ti.',
      },
    },
    meaning: 'Qué significa',
    stagesTitle: 'Las etapas de una práctica',
    stageLink: 'Para qué es esta etapa',
    stages: {
      lowEnd:
        'Primero se despiertan las notas más graves, con labio y oídos frescos: enseguida muestran si caña, aire y zapatillas van bien. Deja correr el aire antes del sonido y después; la mandíbula queda baja y quieta. Si una nota no sale tras unos intentos, toma la de arriba y liga hacia abajo.',
      longTones:
        'Un sonido cada vez, para oír qué hace: dónde está, si se mueve, cómo empieza y acaba. Coloca la boca, respira bajo y deja que el aire salga antes del sonido; el final es parte de él. Un sonido que tiembla al final era demasiado largo: más corto y entero es mejor.',
      swells:
        'La fuerza se mueve, lo demás queda: altura y color son iguales en p que en f. Crece con más aire y no con el labio más flojo; disminuye con menos aire y no con el labio más apretado. Si la altura va con la fuerza, haz el regulador más pequeño hasta que no vaya.',
      descents:
        'Bajar por el saxofón en un aliento, para que las graves reciban el aire de las agudas. Los dedos se mueven; el aire no se entera. Si una nota se rompe, para ahí, toma la última que aguantó y liga otra vez.',
      lowRegister:
        'Suave, grave, sobre el paso, en subtono: donde el saxofón cede primero. Suave es aire lento con apoyo, nunca sin aire; conserva la boca de la nota que suena bien. Si un sonido va a saltar, da un poco más de aire, no más labio.',
      overtones:
        'Digitación grave, nota aguda: eligen el oído y la garganta, los dedos quedan. Oye o canta la nota antes de soplarla y deja que venga. El labio descansa tras cada intento; ocho seguidos bastan, y lo que duele se acabó por hoy.',
      altissimo:
        'Crece de armónicos seguros, nunca de apretar. Primero una inflexión, luego una nota con sus digitaciones: pocos intentos, descansos largos. Oídos que zumban, labio dormido o comisura cansada: déjalo por hoy.',
      wholeHorn:
        'Lo construido pasa a líneas: intervalos, escalas, una melodía. Escucha un solo sonido de la nota más grave a la más aguda, como si las cantara una voz. Acaba con algo que te guste oír.',
    },
    breathingTitle: 'Respirar sin el saxofón',
    breathing: {
      low: 'Sentado o de pie, bien derecho, una mano en el vientre. Inspira dos tiempos: la mano sale, los hombros quedan. Sopla «ff» ocho. Cuatro veces.',
      quick:
        'Inspira de golpe por las comisuras, como antes de una frase; luego sopla despacio diez tiempos. Rápido y bajo, nunca alto y ruidoso.',
      steady:
        'Sopla a una hoja de papel a un brazo de distancia y mantenla igual de inclinada seis segundos; luego más suave, y más cerca.',
      rest: 'Después respira como siempre medio minuto. Quien se maree para y se sienta.',
    },
    terms: {
      partial: {
        name: 'Parcial',
        what: 'Uno de los sonidos que un tubo puede dar sin otra digitación: 1 es la nota misma, 2 su octava, 3 la duodécima.',
      },
      overtone: {
        name: 'Armónico',
        what: 'Un parcial por encima del primero, soplado a propósito: lo eligen el oído y la garganta, no los dedos.',
      },
      voicing: { name: 'Colocación', what: 'Lengua, garganta y vocal, listas para la nota antes de que suene.' },
      swell: { name: 'Sonido filado', what: 'Una nota que crece y se apaga en una sola respiración.' },
      ruler: {
        name: 'Escala',
        what: 'Cuán suave es tu pp y cuán fuerte tu ff en este micrófono: ahí se leen todas las dinámicas.',
      },
      window: { name: 'Ventana', what: 'Cuánto puede apartarse un sonido de su altura y contar aún como afinado.' },
      take: {
        name: 'Toma',
        what: 'Un ejercicio tocado una vez, de la cuenta al veredicto, guardado con su sonido si quieres.',
      },
      steadiness: { name: 'Firmeza', what: 'Cuánto se mueve la altura dentro de un sonido, quitado el vibrato.' },
      response: { name: 'Respuesta', what: 'El tiempo desde el primer ruido de aire hasta el sonido.' },
      seam: {
        name: 'Unión desigual',
        what: 'Dos notas vecinas que difieren en altura, dinámica o timbre más de lo habitual en tu instrumento.',
      },
      evenness: { name: 'Igualdad', what: 'Cuánto se parecen las notas vecinas en todo el instrumento, sobre 100.' },
      edge: { name: 'Límite', what: 'El nivel por debajo del cual una nota se rompe, se para o salta a la octava.' },
      subtone: {
        name: 'Subtono',
        what: 'Un sonido grave, suave y oscuro, con aire, la mandíbula baja: otra voz que un simple sonido suave.',
      },
      altissimo: {
        name: 'Sobreagudos',
        what: 'Las notas por encima de la llave más alta, hechas como armónicos, con digitaciones que ayudan.',
      },
      theBreak: { name: 'El paso', what: 'De do♯5 a re5: de pocos dedos a todos, y a la llave de octava.' },
      palm: {
        name: 'Notas de palma',
        what: 'Las notas con llave más altas, desde re6, con las llaves de palma y laterales.',
      },
      vent: { name: 'Llave de ayuda', what: 'Una llave que se abre para que un parcial o una nota aguda hable.' },
      survey: { name: 'Medición', what: 'Cada nota de una zona una vez, para llenar el mapa.' },
      homeCheck: {
        name: 'Nota de casa',
        what: 'Todos los dedos abajo, una nota grave en medio de otra cosa: ¿habla tan limpia como siempre?',
      },
      spine: { name: 'Línea central', what: 'La línea de la altura dentro de la cinta.' },
    },
  },
};
