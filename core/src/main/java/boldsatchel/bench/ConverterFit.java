package boldsatchel.bench;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.Optional;

/**
 * Loss voltage and loss resistance of a converter out of what it loses at no load, half and full: q, L½ = q + v·I/2 + r·I²/4 and
 * L₁ = q + v·I + r·I² are solved for v and r; doubts by the law of propagation (JCGM 100:2008, 5.1.2).
 */
public final class ConverterFit {

    private ConverterFit() {}

    /** The part with both in place of the plan's; as it was where a loss is missing or they go together with no such converter. */
    public static Part taken(Part part, Journal.Tested test) {
        Optional<Figure> half = read(test, "converter.lossHalfW");
        Optional<Figure> full = read(test, "converter.lossFullW");
        Optional<Facet.Converts> converts = part.facet(Facet.Converts.class);
        if (half.isEmpty() || full.isEmpty() || converts.isEmpty()) {
            return part;
        }
        Facet.Converts c = converts.get();
        Figure quiet = read(test, "Converts.quietW").orElse(c.quietW());
        double amps = c.limitA();
        Figure drop = sum(1 / amps, 4, half.get(), -1, full.get(), -3, quiet);
        Figure ohms = sum(2 / (amps * amps), -2, half.get(), 1, full.get(), 1, quiet);
        if (!(amps > 0) || drop.value() < 0 || ohms.value() < 0) {
            return part;
        }
        Form form = Form.of(Facet.Converts.class);
        return part.withFacet(form.field("lossOhms").with(form.field("dropV").with(c, drop), ohms));
    }

    private static Figure sum(double times, double a, Figure half, double b, Figure full, double c, Figure quiet) {
        return new Figure(
                times * (a * half.value() + b * full.value() + c * quiet.value()),
                Math.abs(times)
                        * Math.hypot(a * half.plusMinus(), Math.hypot(b * full.plusMinus(), c * quiet.plusMinus())),
                Basis.MEASURED);
    }

    private static Optional<Figure> read(Journal.Tested test, String what) {
        return test.readings().stream()
                .filter(r -> r.what().equals(what))
                .map(Journal.Taken::value)
                .findFirst();
    }
}
