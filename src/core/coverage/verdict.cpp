#include "coverage/verdict.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

/// One requirement on one floor: which cells it asks for and which of them keep it.
struct Check {
    std::vector<std::uint8_t> asked, kept;
};

bool in_scope(const Requirement& r, const Floor& floor, std::uint16_t zone) {
    if (r.zones.empty()) return true;
    if (zone == 0) return false;
    const ZoneId id = (*floor.zones)[zone - 1u].id;
    return std::find(r.zones.begin(), r.zones.end(), id) != r.zones.end();
}

bool worse(double value, const std::optional<Worst>& than, bool more_is_better) {
    if (!than) return true;
    return more_is_better ? value < than->value : value > than->value;
}

/// The values that a requirement is held against: of each band, or the best of all.
std::vector<std::vector<float>> values_of(const Project& project, const Requirement& r,
                                          const FloorPrediction& p) {
    LensChoice choice = choice_of(project, r);
    std::vector<std::vector<float>> values;
    if (r.any_band || r.bands.single()) {
        values.push_back(lens_values(p, choice));
        return values;
    }
    for (BandId id : r.bands.list()) {
        choice.bands = id;
        values.push_back(lens_values(p, choice));
    }
    return values;
}

FloorResult check_floor(const Project& project, const Requirement& r, const LensInfo& info,
                        const Floor& floor, const FloorPrediction& p, Check& check) {
    const CellMask& mask = *p.mask;
    const std::size_t cells = p.surface.cells();
    const double cell_m2 = p.surface.cell_m * p.surface.cell_m;
    check.asked.assign(cells, 0);
    check.kept.assign(cells, 0);
    FloorResult result{floor.id, 0, 0, std::nullopt};
    const auto by_band = values_of(project, r, p);
    constexpr double nothing_heard = -200;  // shown for a place that no radio reaches
    const double nothing = !info.more_is_better ? 0
                           : info.unit == "dBm" ? nothing_heard
                           : info.unit == "dB"  ? -100
                                                : 0;
    for (std::size_t i = 0; i < cells; ++i) {
        if (!mask.demanded[i] || !in_scope(r, floor, mask.zone[i])) continue;
        std::optional<Worst> here;
        for (const auto& values : by_band) {
            const double value = std::isnan(values[i]) ? nothing : double{values[i]};
            if (worse(value, here, info.more_is_better)) here = Worst{{}, value};
        }
        const bool holds = info.more_is_better ? here->value >= r.limit : here->value <= r.limit;
        check.asked[i] = 1;
        check.kept[i] = holds;
        result.demanded_m2 += cell_m2;
        if (holds) result.met_m2 += cell_m2;
        if (worse(here->value, result.worst, info.more_is_better))
            result.worst = Worst{p.surface.centre(i), here->value};
    }
    return result;
}

struct Tally {
    double demanded_m2 = 0, met_m2 = 0;
};

Tally tally(const std::vector<Check>& checks, double cell_m2,
            const std::vector<std::uint16_t>* zones = nullptr, std::uint16_t zone = 0) {
    Tally t;
    if (checks.empty()) return t;
    for (std::size_t i = 0; i < checks.front().asked.size(); ++i) {
        if (zones && (*zones)[i] != zone) continue;
        bool asked = false, kept = true;
        for (const Check& c : checks) {
            asked |= c.asked[i] != 0;
            kept &= !c.asked[i] || c.kept[i];
        }
        if (!asked) continue;
        t.demanded_m2 += cell_m2;
        if (kept) t.met_m2 += cell_m2;
    }
    return t;
}

BandResult& band_result(Verdict& verdict, BandId id) {
    for (BandResult& b : verdict.bands)
        if (b.band == id) return b;
    verdict.bands.push_back({id, 0, 0, 0});
    return verdict.bands.back();
}

void judge_floor(const Project& project, const Floor& floor, const FloorPrediction& p, Verdict& verdict) {
    std::vector<Check> all;
    std::vector<std::vector<Check>> by_band(band_count());
    const double cell_m2 = p.surface.cell_m * p.surface.cell_m;
    for (std::size_t k = 0; k < project.requirements->size(); ++k) {
        const Requirement& r = (*project.requirements)[k];
        const auto id = find_lens(r.lens);
        if (!id || lens(*id).is_choice() || *id == LensId::outside)
            throw Error("there is no lens '" + r.lens + "' to require", "requirement " + r.name,
                        "Use signal, next_best or snr");
        Check check;
        FloorResult result = check_floor(project, r, lens(*id), floor, p, check);
        RequirementResult& whole = verdict.requirements[k];
        whole.demanded_m2 += result.demanded_m2;
        whole.met_m2 += result.met_m2;
        if (result.demanded_m2 > 0) whole.floors.push_back(result);
        for (BandId b : r.bands.list()) by_band[b.index].push_back(check);
        all.push_back(std::move(check));
    }
    for (std::size_t b = 0; b < by_band.size(); ++b) {
        if (by_band[b].empty()) continue;
        const Tally t = tally(by_band[b], cell_m2);
        BandResult& result = band_result(verdict, bands()[b].id);
        result.demanded_m2 += t.demanded_m2;
        result.met_m2 += t.met_m2;
    }
    const Tally t = tally(all, cell_m2);
    if (t.demanded_m2 > 0) verdict.floors.push_back({floor.id, t.demanded_m2, t.met_m2, std::nullopt});
    for (std::size_t z = 0; z < floor.zones->size(); ++z) {
        const Tally zone = tally(all, cell_m2, &p.mask->zone, static_cast<std::uint16_t>(z + 1));
        if (zone.demanded_m2 > 0)
            verdict.zones.push_back({(*floor.zones)[z].id, zone.demanded_m2, zone.met_m2});
    }
}

}  // namespace

LensChoice choice_of(const Project& project, const Requirement& r) {
    LensChoice choice;
    if (const auto id = find_lens(r.lens)) choice.lens = *id;
    choice.bands = r.bands;
    choice.client = client(project, project.settings.client);
    choice.level_dbm = signal_asked_dbm(project, r.bands);
    return choice;
}

double signal_asked_dbm(const Project& project, BandSet bands) {
    std::optional<double> most;
    for (const Requirement& r : *project.requirements)
        for (BandId id : bands.list())
            if (r.lens == "signal" && r.bands.contains(id)) most = std::max(most.value_or(r.limit), r.limit);
    return most.value_or(lens(LensId::signal).limit);
}

bool needs_deviation(const Project& project) {
    return std::any_of(project.requirements->begin(), project.requirements->end(),
                       [](const Requirement& r) { return r.lens == lens(LensId::confidence).key; });
}

Outcome outcome(double share_met, double share_required) {
    if (share_met >= share_required - 1e-9) return Outcome::met;
    return share_met >= share_required - 0.01 ? Outcome::near : Outcome::not_met;
}

bool Verdict::met() const {
    return !requirements.empty() && std::all_of(requirements.begin(), requirements.end(),
                                                [](const RequirementResult& r) { return r.met(); });
}

const BandResult* Verdict::find(BandId id) const {
    for (const BandResult& b : bands)
        if (b.band == id) return &b;
    return nullptr;
}

const FloorResult* Verdict::find(FloorId id) const {
    for (const FloorResult& f : floors)
        if (f.floor == id) return &f;
    return nullptr;
}

Verdict judge(const Project& project, const SitePrediction& site) {
    Verdict verdict;
    for (const Requirement& r : *project.requirements) {
        verdict.requirements.push_back({r, 0, 0, {}});
        for (BandId id : r.bands.list()) {
            BandResult& b = band_result(verdict, id);
            b.share_required = std::max(b.share_required, r.share_required);
        }
    }
    for (const Floor* floor : all_floors(project))
        if (const FloorPrediction* p = site.find(floor->id)) judge_floor(project, *floor, *p, verdict);
    std::sort(verdict.bands.begin(), verdict.bands.end(),
              [](const BandResult& a, const BandResult& b) { return a.band < b.band; });
    return verdict;
}

}  // namespace yemvo
