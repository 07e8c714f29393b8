// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/tuning.h"

#include <algorithm>

#include "app/model/results.h"
#include "app/model/workspace.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

const Scene* scene_of(const Workspace& w) {
    const auto& prediction = w.results().prediction();
    if (!prediction) return nullptr;
    for (const FloorPrediction& f : prediction->site.floors)
        if (f.scene) return f.scene.get();
    return nullptr;
}

/// Until something is predicted only yards are known to be outdoors.
yemvo::Place place_at(const Workspace& w, const Floor& floor, const AccessPoint& ap) {
    const Scene* scene = scene_of(w);
    const auto knows = [&](const SceneFloor& f) { return f.floor == floor.id; };
    if (scene && std::ranges::any_of(scene->floors, knows)) return place_of(*scene, floor, ap);
    return building_with(w.project(), floor.id).kind == BuildingKind::yard ? yemvo::Place::outdoors
                                                                           : yemvo::Place::indoors;
}

}  // namespace

std::optional<RadioHere> radio_here(const Workspace& w, const RadioRef& ref) {
    for (const Floor* floor : all_floors(w.project()))
        if (const AccessPoint* ap = find_access_point(w.project(), floor->id, ref.access_point);
            ap && ref.radio < ap->radios.size())
            return RadioHere{floor, ap, ref.radio, place_at(w, *floor, *ap)};
    return std::nullopt;
}

std::vector<OpenChannel> channels_for(const Workspace& w, const RadioHere& here, bool any) {
    if (!any) return open_channels(w.project(), here.place, *here.ap, here.radio);
    const Radio& set = here.set();
    const int widest =
        radio_band(model(w.project(), here.ap->model), here.radio, set.channel.band)->widest_mhz;
    std::vector<OpenChannel> out;
    for (int width : channel_widths_mhz())
        for (const Channel& c : channels(set.channel.band, width)) {
            if (width > widest) continue;
            OpenChannel open;
            open.permit.channel = c;
            open.primary = best_primary(c, set.channel == c ? set.primary : -1);
            out.push_back(std::move(open));
        }
    return out;
}

bool tune(Workspace& w, const std::vector<Tuned>& all, int merge_key) {
    std::vector<std::pair<FloorId, AccessPoint>> changed;
    for (const Tuned& t : all) {
        const auto here = radio_here(w, t.radio);
        if (!here) continue;
        const Radio& now = here->set();
        if (now.channel == t.channel && now.primary == t.primary && !now.channel_open) continue;
        auto at =
            std::ranges::find_if(changed, [&](const auto& c) { return c.second.id == t.radio.access_point; });
        if (at == changed.end()) at = changed.insert(changed.end(), {here->floor->id, *here->ap});
        Radio& radio = at->second.radios[t.radio.radio];
        radio.channel = t.channel;
        radio.primary = t.primary;
        radio.channel_open = false;
    }
    if (changed.empty()) return true;
    const QString label = changed.size() == 1
                              ? tr("Retune access point %1").arg(changed.front().second.number)
                              : counted("Retune %n access point", "Retune %n access points", changed.size());
    return w.edit(
        label,
        [&](Project& p) {
            for (const auto& [floor, ap] : changed) replace_access_point(p, floor, ap);
        },
        merge_key);
}

void toggle_locked(Workspace& w, const std::vector<RadioRef>& radios) {
    bool all = !radios.empty();
    for (const RadioRef& ref : radios)
        if (const auto here = radio_here(w, ref)) all = all && here->set().locked;
    w.edit(all ? tr("Unlock radio settings") : tr("Lock radio settings"), [&](Project& p) {
        for (const RadioRef& ref : radios)
            for (const Floor* floor : all_floors(p))
                if (const AccessPoint* ap = find_access_point(p, floor->id, ref.access_point)) {
                    AccessPoint next = *ap;
                    next.radios[ref.radio].locked = !all;
                    replace_access_point(p, floor->id, next);
                    break;
                }
    });
}

}  // namespace yemvo::app
