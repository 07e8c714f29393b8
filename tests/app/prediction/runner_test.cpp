// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTest>

#include "app/prediction/prediction_runner.h"
#include "app/shell/header_bar.h"
#include "app/turn.h"
#include "core/support.h"
#include "demo/demo.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::turn_of_the_loop;
using yemvo::test::floor_at;

namespace {

/// Collects what a runner sends, on the thread of the test.
struct Listener : QObject {
    explicit Listener(PredictionRunner& runner) {
        connect(
            &runner, &PredictionRunner::ready, this,
            [this](std::shared_ptr<const Prediction> p) { got.push_back(std::move(p)); },
            Qt::QueuedConnection);
        connect(
            &runner, &PredictionRunner::failed, this, [this](const QString& why) { failure = why; },
            Qt::QueuedConnection);
    }
    std::vector<std::shared_ptr<const Prediction>> got;
    QString failure;
};

bool wait_idle(PredictionRunner& runner) {
    const bool idle = QTest::qWaitFor([&] { return runner.is_idle(); }, 10000);
    turn_of_the_loop();
    return idle;
}

Project moved(Project p, double by_m) {
    AccessPoint ap = access_points(p, floor_at(p, 0)).front();
    ap.position.x += by_m;
    replace_access_point(p, floor_at(p, 0), ap);
    return p;
}

}  // namespace

TEST_CASE("a prediction arrives with the floor in view first and a verdict") {
    PredictionRunner runner(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    Listener listener(runner);
    const Project p = demo::compose_venue();
    runner.request(p, floor_at(p, 1));
    REQUIRE(wait_idle(runner));
    REQUIRE_FALSE(listener.got.empty());
    CHECK(listener.got.back()->site.floors.front().floor == floor_at(p, 1));
    CHECK(listener.got.back()->site.floors.size() == 5);
    CHECK(listener.got.back()->verdict.has_value());
}

TEST_CASE("of many requests in a hurry the newest is what is shown in the end") {
    PredictionRunner runner(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    Listener listener(runner);
    const Project p = demo::compose_venue();
    for (int i = 0; i <= 30; ++i) runner.request(moved(p, 0.05 * i), floor_at(p, 0));
    REQUIRE(wait_idle(runner));
    Predictor predictor;
    const SitePrediction expected = predictor.predict(moved(p, 1.5));
    REQUIRE(listener.got.back()->verdict);
    const auto shown = lens_values(*listener.got.back()->site.find(floor_at(p, 0)), {LensId::signal, band_5});
    CHECK(shown == lens_values(*expected.find(floor_at(p, 0)), {LensId::signal, band_5}));
    CHECK(listener.got.size() < 31);
}

TEST_CASE("a cancelled runner stops and takes new work") {
    PredictionRunner runner(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    Listener listener(runner);
    const Project p = demo::compose_venue();
    runner.request(p, floor_at(p, 0));
    runner.cancel();
    REQUIRE(wait_idle(runner));
    runner.request(moved(p, 2), floor_at(p, 0));
    REQUIRE(wait_idle(runner));
    REQUIRE_FALSE(listener.got.empty());
    CHECK(listener.got.back()->verdict);
}

TEST_CASE("a requirement that cannot be judged is told, and the next prediction works") {
    PredictionRunner runner(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    Listener listener(runner);
    Project p = demo::compose_venue();
    const Project right = p;
    p.requirement_sets.edit()[0].requirements[0].lens = "colour";
    runner.request(p, floor_at(p, 0));
    REQUIRE(wait_idle(runner));
    CHECK(listener.failure.contains("colour"));
    runner.request(right, floor_at(p, 0));
    REQUIRE(wait_idle(runner));
    CHECK(listener.got.back()->verdict);
}

namespace {

struct Named {
    std::string name;
};
struct Cells {
    std::vector<std::size_t> of_floors;
};

/// The name of the floor in view, and the demanded cells of every floor: two results that nobody else knows
/// of.
WantedWork named_and_counted(int& counted) {
    WantedWork work;
    work.of_view.emplace_back(typeid(Named), [](const ViewSource& s) -> Answer {
        return std::make_shared<const Named>(Named{find_floor(s.project, s.floor)->name});
    });
    work.of_site.emplace_back(
        typeid(Cells), SiteWork{{"cells",
                                 [&counted](const Project&, const FloorPrediction& f, const Verdict& part,
                                            const CancelToken&) {
                                     ++counted;
                                     CHECK(part.floors_judged == 1);
                                     return std::make_shared<const std::size_t>(f.surface.cells());
                                 }},
                                [](const std::vector<Answer>& floors, const CancelToken&) -> Answer {
                                    Cells all;
                                    for (const Answer& f : floors)
                                        all.of_floors.push_back(*static_cast<const std::size_t*>(f.get()));
                                    return std::make_shared<const Cells>(all);
                                }});
    return work;
}

}  // namespace

TEST_CASE(
    "what is wanted besides comes along: of the floor in view with its map, of the site with the verdict") {
    const Project p = demo::compose_venue();
    // all fields side by side, and floor by floor
    for (const std::size_t budget : {usual_budget_bytes(), std::size_t{1} << 20}) {
        INFO(budget);
        int counted = 0;
        PredictionRunner runner(std::make_shared<MemoryBudget>(budget));
        Listener listener(runner);
        runner.request(p, floor_at(p, 1), named_and_counted(counted));
        REQUIRE(wait_idle(runner));
        REQUIRE(listener.failure.isEmpty());
        REQUIRE(listener.got.size() >= 2);
        const Prediction &first = *listener.got.front(), &last = *listener.got.back();
        CHECK_FALSE(first.verdict);
        REQUIRE(first.more.find<Named>());
        CHECK(first.more.find<Named>()->name == find_floor(p, floor_at(p, 1))->name);
        CHECK_FALSE(first.more.find<Cells>());
        REQUIRE(last.verdict);
        REQUIRE(last.more.find<Named>());
        REQUIRE(last.more.find<Cells>());
        CHECK(last.more.find<Cells>()->of_floors.size() == 5);
        CHECK(last.more.find<Cells>()->of_floors.front() == last.site.floors.front().surface.cells());
        CHECK(counted == 5);
        runner.request(p, floor_at(p, 1));
        REQUIRE(wait_idle(runner));
        CHECK_FALSE(listener.got.back()->more.find<Cells>());  // nobody wants it any more
    }
}

TEST_CASE("steps say what they hold and lack") {
    Project p = yemvo::test::one_floor();
    CHECK(step_mark(p, Step::venue, {}) == "1 floor to draw");
    CHECK(step_mark(p, Step::demand, {}) == "no zones yet");
    CHECK(step_mark(p, Step::placement, {}) == "no access points");
    CHECK(step_mark(p, Step::spectrum, {}) == "no radios");
    CHECK(step_mark(p, Step::proof, {}) == "nothing to check");
    yemvo::test::wall(p, "plasterboard", {{0, 0}, {5, 0}});
    CHECK(step_mark(p, Step::venue, {}) == "complete");
    yemvo::test::isotropic_access_point(p, {1, 1});
    CHECK(step_mark(p, Step::placement, {}) == "1 access point");
    CHECK(step_mark(p, Step::spectrum, {}) == "3 radios on");
    p.requirement_sets = {};
    CHECK(step_mark(p, Step::proof, {}) == "nothing required");
}
