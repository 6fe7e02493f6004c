package boldsatchel.shelf;

import org.testng.annotations.DataProvider;

/** The demos by name, for tests that hold for each. */
public final class Demos {

    private Demos() {}

    @DataProvider
    public static Object[][] demos() {
        return Library.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }
}
