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
        second: 'Llena: habla y se conoce bien. Media: a veces falla. Vacía: aún no oída.',
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
        first: 'Cada columna es una nota grave digitada, cada fila el parcial que se sopla en ella.',
        second: 'El número dice cuántas veces salió cuando se intentó.',
        third: 'Lo enmarcado es lo siguiente para ti.',
        fourth: 'Vacío: aún no intentado.',
      },
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
      homeCheck: { name: 'Nota de casa', what: 'Una nota media que se siente en casa: ¿sigue ahí la embocadura?' },
      spine: { name: 'Línea central', what: 'La línea de la altura dentro de la cinta.' },
    },
  },
};
