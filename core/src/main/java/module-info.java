import org.jspecify.annotations.NullMarked;

/** What a build is and how it is judged; knows no window, no clock and no file but its own resources. */
@NullMarked
module boldsatchel.core {
    requires static transitive org.jspecify;
    requires transitive tools.jackson.databind;
    requires java.xml;
    requires com.networknt.schema;
    requires org.locationtech.jts;
    requires commons.math3;

    exports boldsatchel.quantity;
    exports boldsatchel.log;
    exports boldsatchel.geometry;
    exports boldsatchel.machine;
    exports boldsatchel.power;
    exports boldsatchel.bench;
    exports boldsatchel.fit;
    exports boldsatchel.balance;
    exports boldsatchel.hands;
    exports boldsatchel.hold;
    exports boldsatchel.cables;
    exports boldsatchel.printing;
    exports boldsatchel.assembly;
    exports boldsatchel.made;
    exports boldsatchel.reach;
    exports boldsatchel.heat;
    exports boldsatchel.cost;
    exports boldsatchel.links;
    exports boldsatchel.means;
    exports boldsatchel.abilities;
    exports boldsatchel.plausible;
    exports boldsatchel.engine;
    exports boldsatchel.verdict;
    exports boldsatchel.edit;
    exports boldsatchel.drawing;
    exports boldsatchel.format;
    exports boldsatchel.hunt;
    exports boldsatchel.arrange;
    exports boldsatchel.stow;
    exports boldsatchel.plan;
    exports boldsatchel.sheet;
    exports boldsatchel.report;
    exports boldsatchel.revise;
    exports boldsatchel.shelf;

    opens boldsatchel.geometry to
            tools.jackson.databind;
    opens boldsatchel.machine to
            tools.jackson.databind;
    opens boldsatchel.shelf to
            tools.jackson.databind;
    opens boldsatchel.assembly to
            tools.jackson.databind;
    opens boldsatchel.bench to
            tools.jackson.databind;
    opens boldsatchel.quantity to
            tools.jackson.databind;

    uses boldsatchel.engine.Engine;
    uses boldsatchel.verdict.Judge;

    // Where engines are listed: a new one is its package and a line here.
    provides boldsatchel.engine.Engine with
            boldsatchel.balance.WeightsEngine,
            boldsatchel.balance.FootingEngine,
            boldsatchel.power.PointsEngine,
            boldsatchel.assembly.PlanEngine,
            boldsatchel.heat.CellsEngine;
    provides boldsatchel.verdict.Judge with
            boldsatchel.judge.FitJudge,
            boldsatchel.judge.PowerJudge,
            boldsatchel.judge.HeatJudge,
            boldsatchel.judge.BalanceJudge,
            boldsatchel.judge.HandsJudge,
            boldsatchel.judge.HoldJudge,
            boldsatchel.judge.CablesJudge,
            boldsatchel.judge.PrintingJudge,
            boldsatchel.judge.ReachJudge,
            boldsatchel.judge.CostJudge,
            boldsatchel.judge.LinksJudge,
            boldsatchel.judge.AssemblyJudge,
            boldsatchel.judge.MeansJudge,
            boldsatchel.judge.AbilitiesJudge,
            boldsatchel.judge.PlausibleJudge,
            boldsatchel.judge.BenchJudge;
}
