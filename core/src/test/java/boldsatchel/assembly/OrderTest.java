package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rows of steps by chance, set beside all rows there are. */
public class OrderTest {

    private static final List<Trait> TRAITS =
            List.of(Trait.DUSTY, Trait.WASHING_CASE, Trait.FLAT, Trait.TALL, Trait.WIRING, Trait.LIVE);
    private static final Removal LAID = new Removal(Removal.Kind.COVER, "tray", List.of());

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 10).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    private static Order.Draft draft(String id, Set<Trait> traits, String tray, Set<String> needs, boolean inside) {
        Step step = new Step(
                id,
                Job.LAY,
                List.of(id),
                id,
                List.of(),
                Optional.empty(),
                1,
                0,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                traits);
        return new Order.Draft(step, tray, needs, inside ? Optional.of(LAID) : Optional.empty());
    }

    private static List<Order.Draft> drafts(Random random) {
        List<Order.Draft> drafts = new ArrayList<>();
        int n = 3 + random.nextInt(4);
        for (int i = 0; i < n; i++) {
            Set<Trait> traits = EnumSet.noneOf(Trait.class);
            TRAITS.stream().filter(t -> random.nextInt(3) == 0).forEach(traits::add);
            Set<String> needs = new HashSet<>();
            for (int j = 0; j < i; j++) {
                if (random.nextInt(5) == 0) {
                    needs.add("s" + j);
                }
            }
            if (random.nextInt(6) == 0) {
                needs.add("not-there");
            }
            drafts.add(draft("s" + i, traits, random.nextBoolean() ? "base" : "lid", needs, random.nextInt(3) == 0));
        }
        return drafts;
    }

    private static List<Trade.Rule> rules(Random random) {
        List<Trade.Rule> rules = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int first = random.nextInt(TRAITS.size() - 1);
            int then = first + 1 + random.nextInt(TRAITS.size() - first - 1);
            rules.add(new Trade.Rule("r" + i, TRAITS.get(first), TRAITS.get(then), random.nextBoolean(), "so"));
        }
        return rules;
    }

    private static List<List<Order.Draft>> rows(List<Order.Draft> of) {
        if (of.isEmpty()) {
            return List.of(List.of());
        }
        List<List<Order.Draft>> rows = new ArrayList<>();
        for (Order.Draft first : of) {
            List<Order.Draft> rest = new ArrayList<>(of);
            rest.remove(first);
            for (List<Order.Draft> row : rows(rest)) {
                List<Order.Draft> all = new ArrayList<>(List.of(first));
                all.addAll(row);
                rows.add(all);
            }
        }
        return rows;
    }

    /** Whether each step comes after what it needs, and those that go into the case as they were drafted. */
    private static boolean isPossible(List<Order.Draft> row, List<Order.Draft> drafted) {
        for (int i = 0; i < row.size(); i++) {
            for (Order.Draft later : row.subList(i + 1, row.size())) {
                boolean inside = row.get(i).back().isPresent() && later.back().isPresent();
                if (row.get(i).needs().contains(later.id())
                        || (inside && drafted.indexOf(row.get(i)) > drafted.indexOf(later))) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Of all rows that are possible, where one keeps every rule, the one that is made keeps every rule too. */
    @Test(dataProvider = "seeds")
    public void aRuleIsBrokenOnlyWhereNoRowKeepsThemAll(int some) {
        int kept = 0;
        int broken = 0;
        for (int seed = some * 40; seed < some * 40 + 40; seed++) {
            Random random = new Random(seed);
            List<Order.Draft> drafts = drafts(random);
            List<Trade.Rule> rules = rules(random);
            List<Order.Draft> row = Order.of(drafts, rules);
            assertThat(row).as("seed %s", seed).containsExactlyInAnyOrderElementsOf(drafts);
            assertThat(isPossible(row, drafts)).as("seed %s", seed).isTrue();
            boolean any = rows(drafts).stream()
                    .anyMatch(
                            r -> isPossible(r, drafts) && Order.broken(r, rules).isEmpty());
            assertThat(Order.broken(row, rules).isEmpty()).as("seed %s", seed).isEqualTo(any);
            assertThat(Order.of(drafts, rules)).as("seed %s", seed).isEqualTo(row);
            kept += any ? 1 : 0;
            broken += any ? 0 : 1;
        }
        assertThat(Math.min(kept, broken)).as("both happen").isPositive();
    }

    /** Whatever the row: a step that has what comes later, with one after it that comes first and does not itself wait for it. */
    @Test(dataProvider = "seeds")
    public void whatARowDoesNotKeepIsTold(int some) {
        for (int seed = some * 40; seed < some * 40 + 40; seed++) {
            Random random = new Random(seed);
            List<Order.Draft> row = new ArrayList<>(drafts(random));
            row.replaceAll(d -> new Order.Draft(d.step(), d.tray(), Set.of(), Optional.empty()));
            Collections.shuffle(row, random);
            Set<List<String>> told = new HashSet<>();
            List<Trade.Rule> rules = rules(random);
            Order.broken(row, rules).forEach(b -> told.add(List.of(b.rule().id(), b.early(), b.late())));
            Set<List<String>> seen = new HashSet<>();
            for (Trade.Rule rule : rules) {
                for (Order.Draft early : row) {
                    Set<Trait> of = early.step().traits();
                    if (of.contains(rule.then()) && !of.contains(rule.first())) {
                        row.subList(row.indexOf(early) + 1, row.size()).stream()
                                .filter(l -> l.step().traits().contains(rule.first()))
                                .filter(l -> !rule.inOneTray() || l.tray().equals(early.tray()))
                                .findFirst()
                                .ifPresent(l -> seen.add(List.of(rule.id(), early.id(), l.id())));
                    }
                }
            }
            assertThat(told).as("seed %s", seed).isEqualTo(seen);
        }
    }

    @Test
    public void stepsThatNeedOneAnotherAreNotLost() {
        List<Order.Draft> ring = List.of(
                draft("a", Set.of(), "", Set.of("b"), false),
                draft("b", Set.of(), "", Set.of("c"), false),
                draft("c", Set.of(), "", Set.of("a"), false),
                draft("d", Set.of(), "", Set.of("a"), false));
        assertThat(Order.of(ring, List.of())).containsExactlyInAnyOrderElementsOf(ring);
    }
}
