package boldsatchel.machine;

/** Engineering figures that are taken where a build says nothing, each with its source. A maker's own figure stands above them. */
public final class Usual {

    /** Least voltage a USB-C supply gives, V: 5 V less a tenth (USB Power Delivery 3.1, 7.1.4.2). */
    public static final double USB_LEAST_V = 4.5;

    /** Most voltage a USB-C supply gives without extended range, V: 20 V and a twentieth (USB Power Delivery 3.1, 7.1.4.2). */
    public static final double USB_MOST_V = 21;

    /** What a plain USB supply gives without load at most, V, rounded down (USB 2.0, 7.2.1). */
    public static final double USB_PLAIN_V = 5.2;

    /** Efficiency of a converter that is still to be chosen; a guess on the safe side of the figures makers print. */
    public static final double CONVERTER_EFFICIENCY = 0.85;

    /** Efficiency of a switching charger, and of a chain of one converter and its wires; a guess. */
    public static final double CHAIN_EFFICIENCY = 0.88;

    /** A supply of several chargers gives their sum and a third, or they start one another out; rule of thumb. */
    public static final double CHARGERS_MARGIN = 4.0 / 3;

    /** A supply of one charger, or of the machine alone, gives a fiftieth more than it must; rule of thumb. */
    public static final double SUPPLY_MARGIN = 1.02;

    /** What a wire, fuse or converter is chosen for, over what it carries: the usual quarter on top (IEC 60127-4 practice). */
    public static final double HEADROOM = 1.25;

    /** Share of the voltage that a wire may lose before it is called too thin; rule of thumb of installation practice. */
    public static final double DROP_SHARE = 0.03;

    /** A load is content this share below its nominal voltage when it says nothing closer; the usual tolerance of a rail. */
    public static final double RAIL_LOW = 0.95;

    /** And this share above it. */
    public static final double RAIL_HIGH = 1.05;

    /** Voltage of a cell that a power bank's label counts with, V. */
    public static final double BANK_CELL_V = 3.7;

    /** Most that lithium cells bear in use, °C, where their maker says nothing. */
    public static final double CELLS_MOST_C = 60;
    /** Least that they bear in use, °C. */
    public static final double CELLS_LEAST_C = -20;
    /** Most that they bear while they are charged, °C; above it they age fast too. */
    public static final double CELLS_CHARGED_MOST_C = 45;
    /** Least that they bear while they are charged, °C. */
    public static final double CELLS_CHARGED_LEAST_C = 0;

    private Usual() {}
}
