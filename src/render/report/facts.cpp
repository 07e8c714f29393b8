// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/facts.h"

#include "project/working_radio.h"
#include "render/report/sections.h"

namespace yemvo::render::report {
namespace {

BandSet bands_in_use(const Project& project) {
    BandSet bands;
    for (const RadioAt& at : radios_at_work(project)) bands = bands.with(at.set().channel.band);
    return bands;
}

MapChoice choice_of(const Project& project, const LensInfo& info, BandSet bands) {
    MapChoice choice;
    choice.lens = info.id;
    choice.bands = bands;
    choice.threshold = info.limit;
    // the limit that is required, where the lens is asked about
    for (const Requirement* r : requirements_in_force(project))
        if (r->lens == info.key && !bands.empty() && r->bands.contains(bands.list().front()))
            choice.threshold = r->limit_in(bands.list().front());
    return coloured(choice, project);
}

FloorPrediction without_fields(const FloorPrediction& full) {
    FloorPrediction light;
    light.floor = full.floor;
    light.surface = full.surface;
    light.mask = full.mask;
    light.scene = full.scene;
    return light;
}

}  // namespace

const FloorFacts* ReportFacts::find(FloorId id) const {
    for (const FloorFacts& f : floors)
        if (f.prediction.floor == id) return &f;
    return nullptr;
}

std::vector<MapChoice> report_maps(const Project& project) {
    std::vector<MapChoice> all;
    for (const ReportMap& m : project.handover.report.maps) {
        const auto id = find_lens(m.lens);
        BandSet bands;
        for (const std::string& name : m.bands)
            if (const auto known = find_band(name)) bands = bands.with(*known);
        if (id && bands.empty() && !lens(*id).of_radios()) bands = band_5;
        if (id && !bands.empty()) all.push_back(choice_of(project, lens(*id), bands));
    }
    if (all.empty() && project.handover.report.maps.empty())
        for (BandId b : bands_in_use(project).list())
            all.push_back(choice_of(project, lens(LensId::signal), b));
    return all;
}

std::vector<MapChoice> web_maps(const Project& project) {
    std::vector<LensId> lenses{LensId::signal, LensId::snr};
    for (const MapChoice& m : report_maps(project))
        if (!lens(m.lens).is_choice() && lens(m.lens).of_radios() &&
            std::ranges::find(lenses, m.lens) == lenses.end())
            lenses.push_back(m.lens);
    std::vector<MapChoice> all;
    for (const LensId id : lenses)
        for (BandId b : bands_in_use(project).list()) all.push_back(choice_of(project, lens(id), b));
    return all;
}

ReportFacts gather_report(const Project& project, Predictor& predictor, const CancelToken& cancel,
                          const std::function<void(double)>& progress, const WishedMaps& wished) {
    ReportFacts facts;
    const bool in_report = wished.report && is_chosen(project.handover.report, "maps");
    const auto maps = in_report ? report_maps(project) : std::vector<MapChoice>();
    const auto chosen = wished.web ? web_maps(project) : std::vector<MapChoice>();
    PredictionWish wish;
    for (const auto* list : {&maps, &chosen})
        for (const MapChoice& m : *list) wish = wish_to_show(m.lens, wish);
    const auto seen = [&](const FloorPrediction& floor) {
        FloorFacts of{without_fields(floor), {}, {}};
        for (const MapChoice& m : maps)
            of.maps.push_back({m, map_values(project, floor, m, nullptr, nullptr)});
        for (const MapChoice& m : chosen)
            of.web_maps.push_back({m, map_values(project, floor, m, nullptr, nullptr)});
        facts.floors.push_back(std::move(of));
    };
    facts.plan = gather_facts(project, predictor, cancel, seen, wish, progress);
    return facts;
}

}  // namespace yemvo::render::report
