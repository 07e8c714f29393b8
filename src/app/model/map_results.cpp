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
        const PredictionWish wish{{}, false, beyond_m};
        return std::make_shared<const Surroundings>(
            Surroundings{s.predictor.predict(s.project, {s.floor}, wish, s.cancel).floors.front()});
    };
}

ViewWork held_against(const ShownMap& shown) {
    auto other = shown.held_against();
    if (!other) return {};
    return [other = std::move(other)](const ViewSource& s) -> Answer {
        if (!find_floor(*other, s.floor)) return nullptr;
        return std::make_shared<const HeldAgainst>(
            HeldAgainst{other, s.predictor.predict(*other, {s.floor}, s.wish, s.cancel).floors.front()});
    };
}

}  // namespace

void teach_map_results(Results& results, ShownMap& shown, Document& document) {
    results.teach({typeid(Surroundings), surroundings});
    results.teach({typeid(HeldAgainst), [&shown] { return held_against(shown); }});
    results.teach({typeid(FieldDeviation), {}, {}, true});
    struct Held {
        render::Against against = render::Against::nothing;
        VariantId other = {};
        bool operator==(const Held&) const = default;
    };
    QObject::connect(&shown, &ShownMap::changed, &results, [&results, &shown, before = Held()]() mutable {
        const render::MapChoice& map = shown.map();
        const LensNeeds& needs = lens(map.lens).needs;
        results.want<Surroundings>(&shown, needs.surroundings);
        results.want<FieldDeviation>(&shown, needs.deviation);
        const Held now{map.is_change() ? map.against : render::Against::nothing, map.other};
        if (now == before) return;
        before = now;
        results.want<HeldAgainst>(&shown, now.against != render::Against::nothing);
        results.want_anew<HeldAgainst>();
    });
    // the project changes before the history knows: what it is held against is told again then
    QObject::connect(&document.history(), &QUndoStack::indexChanged, &results, [&results, &shown] {
        if (shown.map().is_change() && shown.map().against == render::Against::last_edit)
            results.want_anew<HeldAgainst>();
    });
}

}  // namespace yemvo::app
