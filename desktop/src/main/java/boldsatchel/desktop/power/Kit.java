package boldsatchel.desktop.power;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.ChainEdits.Piece;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;

/** What a chain can be built of: rungs that are no parts, parts of the build that hang nowhere yet, and parts off the shelf. */
final class Kit {

    /** Families that a chain is built of. */
    static final List<Family> ON_SHELF = List.of(
            Family.BATTERY,
            Family.CHARGER,
            Family.CONVERTER,
            Family.X86_BOARD,
            Family.SINGLE_BOARD,
            Family.SCREEN,
            Family.COOLING);

    private Kit() {}

    /** Parts of the build that could hang in a chain and do not. */
    static List<Piece> loose(Build build) {
        return build.parts().list().stream()
                .filter(Kit::electric)
                .filter(p -> build.rungs().noneMatch(r -> r.parts().contains(p.id())))
                .map(Piece::of)
                .toList();
    }

    static boolean electric(Part p) {
        return p.givesPower()
                || p.facet(Facet.DrawsPower.class).isPresent()
                || p.facet(Facet.Converts.class).isPresent()
                || p.facet(Facet.ShowsLevel.class).isPresent()
                || p.facet(Facet.Charges.class).isPresent();
    }

    /** Parts off the shelf of a family. */
    static List<Piece> shelf(Library library, Family family) {
        return library.parts().stream()
                .filter(p -> p.family() == family)
                .filter(Kit::electric)
                .map(Piece::fresh)
                .toList();
    }

    /** Everything at hand, what is in the build first. */
    static List<Piece> atHand(Build build) {
        List<Piece> pieces = new ArrayList<>(loose(build));
        pieces.addAll(ChainEdits.usual());
        return pieces;
    }
}
