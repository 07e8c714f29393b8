// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/probing.h"

#include <algorithm>

#include "app/model/document.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "project/edits.h"

namespace yemvo::app {

/// What was predicted before floors or types came or went cannot be explained with the project as it is now.
static bool speaks_of(const Scene& scene, const Project& project) {
    const auto has_type = [&](WallTypeId id) {
        return std::any_of(project.wall_types->begin(), project.wall_types->end(),
                           [&](const WallType& t) { return t.id == id; });
    };
    return scene.floors.size() == all_floors(project).size() &&
           std::all_of(scene.floors.begin(), scene.floors.end(),
                       [&](const SceneFloor& f) { return find_floor(project, f.floor) != nullptr; }) &&
           std::all_of(scene.types.begin(), scene.types.end(), has_type);
}

Probing::Probing(Workspace& workspace) : workspace_(workspace) {
    Results& results = workspace.results();
    connect(&workspace.shown(), &ShownMap::changed, this, &Probing::look);
    for (auto signal : {&Results::changed, &Results::floor_predicted})
        connect(&results, signal, this, [this, &results] {
            // the whole brings the floor in view again that came before it
            const FloorPrediction* p = place_ && results.prediction()
                                           ? results.prediction()->site.find(place_->probe.floor)
                                           : nullptr;
            if (!p || p->radios != place_->radios) look();
        });
    // every edit is followed by a prediction; only the probe itself is followed at once
    connect(&workspace, &Workspace::project_changed, this, [this] {
        const Probe* probe = find_probe(workspace_.project(), number_);
        const bool stands =
            place_ && probe && *probe == place_->probe && speaks_of(*place_->scene, workspace_.project());
        if (place_ ? !stands : probe != nullptr) look();
    });
}

void Probing::start() {
    const auto& probes = *workspace_.project().probes;
    number_ = probes.empty() ? 0 : probes.front().number;
}

void Probing::choose(int number) {
    number_ = number;
    look();
}

void Probing::choose_link(std::size_t index) {
    if (!place_ || index >= place_->links.size()) return;
    place_->chosen = index;
    emit changed();
}

/// The same radio stays chosen while the plan changes; else the strongest.
void Probing::look() {
    std::optional<std::pair<AccessPointId, BandId>> chosen;
    if (place_ && place_->probe.number == number_ && place_->link())
        chosen = {place_->link()->access_point, place_->link()->channel.band};
    const bool had = place_.has_value();
    place_.reset();
    const Project& project = workspace_.project();
    const auto& prediction = workspace_.results().prediction();
    const Probe* probe = workspace_.document().is_open() && number_ ? find_probe(project, number_) : nullptr;
    if (!probe) number_ = 0;
    const FloorPrediction* predicted = probe && prediction ? prediction->site.find(probe->floor) : nullptr;
    const Floor* on = probe ? find_floor(project, probe->floor) : nullptr;
    if (predicted && on && predicted->scene && speaks_of(*predicted->scene, project)) {
        const BandSet bands = workspace_.shown().map().bands;
        ProbedPlace p{*probe, yemvo::probe(project, *predicted->scene, *on, probe->place, bands), 0,
                      predicted->scene, predicted->radios};
        for (std::size_t i = 0; chosen && i < p.links.size(); ++i)
            if (p.links[i].access_point == chosen->first && p.links[i].channel.band == chosen->second)
                p.chosen = i;
        place_ = std::move(p);
    }
    if (had || place_) emit changed();
}

}  // namespace yemvo::app
