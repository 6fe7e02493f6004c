package boldsatchel.plan;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Case;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Shell.Making;
import boldsatchel.quantity.Figure;
import java.util.List;

/** Cases of one's own to begin with: plain, of a usual size, to be made what they are by typed measures. */
public enum BlankCase {
    /** One closed box, printed. */
    PRINTED_BOX("printed box", Making.PRINTED, Material.PLASTIC, 2.5),
    /** One closed box of sheet. */
    CUT_BOX("box cut from sheet", Making.CUT, Material.ALUMINIUM_BARE, 1.5),
    /** A box that was found, as it is. */
    FOUND_BOX("found box", Making.FOUND, Material.STEEL_PAINTED, 0.8),
    /** Base and lid, printed. */
    HINGED("base and lid on a hinge", Making.PRINTED, Material.PLASTIC, 2.5),
    /** An open tray with a lid beside. */
    TRAY_AND_LID("open tray with a loose lid", Making.CUT, Material.PLYWOOD, 4);

    private static final Box INSIDE = new Box(0, 0, 0, 220, 140, 40);
    private static final double LID_MM = 12;

    private final String words;
    private final Making making;
    private final Material material;
    private final double wallMm;

    BlankCase(String words, Making making, Material material, double wallMm) {
        this.words = words;
        this.making = making;
        this.material = material;
        this.wallMm = wallMm;
    }

    /** As shown in a choice. */
    public String words() {
        return words;
    }

    /** The case. */
    public Case blank() {
        Box lid = new Box(0, 0, 0, INSIDE.dx(), INSIDE.dy(), LID_MM);
        String note = "Your own; every measure of it can be changed.";
        return switch (this) {
            case PRINTED_BOX, CUT_BOX, FOUND_BOX ->
                Case.plain("Own " + words, note, List.of(shell("slab", "Box", INSIDE, false)));
            case HINGED -> hinged(note, lid);
            case TRAY_AND_LID ->
                Case.plain(
                        "Own " + words,
                        note,
                        List.of(shell("base", "Tray", INSIDE, true), shell("lid", "Lid", lid, true)));
        };
    }

    private Case hinged(String note, Box lid) {
        Casing joined = Casing.of(
                        List.of(shell("base", "Base", INSIDE, true), shell("lid", "Lid", lid, true)), Figure.guess(0))
                .withLid(Joint.lidAtBack("base", INSIDE, "lid", lid), Casing.USED_DEG);
        return new Case("Own " + words, note, joined.shells(), joined.joints(), joined.postures());
    }

    private Shell shell(String id, String name, Box inside, boolean open) {
        Shell plain = Shell.plain(id, name, inside, Figure.guess(wallMm), material, making, open);
        return making == Making.FOUND ? plain.guessedInside() : plain;
    }
}
