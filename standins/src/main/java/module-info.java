import org.jspecify.annotations.NullMarked;

/** A bench that is not there: instruments that speak their line protocol over loopback, wired to a simulation of the build. */
@NullMarked
module boldsatchel.standins {
    requires transitive boldsatchel.core;
    requires static org.jspecify;

    exports boldsatchel.standins;
}
