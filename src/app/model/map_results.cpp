// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/map_results.h"

#include "app/model/document.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"

namespace yemvo::app {
namespace {

ViewWork surroundings() {
    return [](const ViewSource& s) -> Answer {
        constexpr double beyond_m = 25;
        const PredictionWish wish{{}, false, false, beyond_m};
        return std::make_shared<const Surroundings>(
            Surroundings{s.predictor.predict(s.project, {s.floor}, wish, s.cancel).floors.front()});
    };
}

ViewWork held_against(const ShownMap& shown) {
    auto other = shown.held_against();
    if (!other) return {};
    const render::MapChoice& map = shown.map();
    return [other = std::move(other), against = map.against, id = map.other,
            air = shown.air_held_against()](const ViewSource& s) -> Answer {
        if (!find_floor(*other, s.floor)) return nullptr;
        FloorPrediction floor = s.predictor.predict(*other, {s.floor}, s.wish, s.cancel).floors.front();
        floor.air = air;
        return std::make_shared<const HeldAgainst>(HeldAgainst{against, id, other, std::move(floor)});
    };
}

}  // namespace

void teach_map_results(Results& results, ShownMap& shown, Document& document) {
    results.teach({typeid(Surroundings), surroundings});
    results.teach({typeid(HeldAgainst), [&shown] { return held_against(shown); }});
    results.teach({typeid(FieldDeviation), {}, {}, true});
    results.teach({typeid(WithCables), {}, {}, false, true});
    QObject::connect(&shown, &ShownMap::changed, &results, [&results, &shown] {
        const render::MapChoice& map = shown.map();
        const LensNeeds& needs = lens(map.lens).needs;
        results.want<Surroundings>(&shown, needs.surroundings);
        results.want<FieldDeviation>(&shown, needs.deviation);
        results.want<WithCables>(&shown, needs.cables);
        const HeldAgainst* known = results.find<HeldAgainst>();
        const bool other =
            !known || known->against != map.against || known->other != map.other ||
            (map.against == render::Against::proposal && known->project != shown.held_against());
        // newly wanted it is asked for by that; else once more where it is about something else
        if (!results.want<HeldAgainst>(&shown, map.needs_other()) && other && shown.held_against())
            results.want_anew<HeldAgainst>();
    });
    // the project changes before the history knows: what it is held against is told again then
    QObject::connect(&document.history(), &QUndoStack::indexChanged, &results, [&results, &shown] {
        if (shown.map().is_change() && shown.map().against == render::Against::last_edit)
            results.want_anew<HeldAgainst>();
    });
}

}  // namespace yemvo::app
