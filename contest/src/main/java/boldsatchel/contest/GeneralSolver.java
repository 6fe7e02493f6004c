package boldsatchel.contest;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.Literal;
import java.util.List;

/**
 * The same by a general constraint solver (CP-SAT): a place and one of six ways to lie for each box, and for each two on which side of one another they are. The largest box
 * lies in one octant, since a packing and its mirror images are one.
 */
final class GeneralSolver {

    private static final int[][] WAYS = {{0, 1, 2}, {0, 2, 1}, {1, 0, 2}, {1, 2, 0}, {2, 0, 1}, {2, 1, 0}};

    private GeneralSolver() {}

    /** Makes the solver ready, once. */
    static void load() {
        Loader.loadNativeLibraries();
    }

    /** Whether all boxes were placed in that time. */
    static boolean solves(Boxes boxes, double seconds, int threads, int seed) {
        CpModel model = new CpModel();
        List<int[]> sizes = boxes.sizes();
        int n = sizes.size();
        IntVar[][] at = new IntVar[n][3];
        IntVar[][] size = new IntVar[n][3];
        for (int i = 0; i < n; i++) {
            Literal[] ways = new Literal[WAYS.length];
            for (int axis = 0; axis < 3; axis++) {
                at[i][axis] = model.newIntVar(0, Boxes.ROOM[axis], "at");
                size[i][axis] = model.newIntVar(1, Boxes.ROOM[axis], "size");
                model.addLessOrEqual(
                        LinearExpr.newBuilder().add(at[i][axis]).add(size[i][axis]), Boxes.ROOM[axis]);
            }
            for (int way = 0; way < WAYS.length; way++) {
                ways[way] = model.newBoolVar("way");
                for (int axis = 0; axis < 3; axis++) {
                    model.addEquality(size[i][axis], sizes.get(i)[WAYS[way][axis]])
                            .onlyEnforceIf(ways[way]);
                }
            }
            model.addExactlyOne(ways);
        }
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < i; j++) {
                Literal[] sides = new Literal[6];
                for (int axis = 0; axis < 3; axis++) {
                    sides[2 * axis] = before(model, at[i][axis], size[i][axis], at[j][axis]);
                    sides[2 * axis + 1] = before(model, at[j][axis], size[j][axis], at[i][axis]);
                }
                model.addBoolOr(sides);
            }
        }
        int largest = 0;
        for (int i = 1; i < n; i++) {
            largest = volume(sizes.get(i)) > volume(sizes.get(largest)) ? i : largest;
        }
        for (int axis = 0; axis < 3; axis++) {
            model.addLessOrEqual(
                    LinearExpr.newBuilder().addTerm(at[largest][axis], 2).add(size[largest][axis]), Boxes.ROOM[axis]);
        }
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(seconds).setNumWorkers(threads).setRandomSeed(seed);
        CpSolverStatus status = solver.solve(model);
        return status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
    }

    private static Literal before(CpModel model, IntVar at, IntVar size, IntVar next) {
        Literal is = model.newBoolVar("before");
        model.addLessOrEqual(LinearExpr.newBuilder().add(at).add(size), next).onlyEnforceIf(is);
        return is;
    }

    private static long volume(int[] size) {
        return (long) size[0] * size[1] * size[2];
    }
}
