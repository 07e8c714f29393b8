#include "coverage/verdict.h"

#include <algorithm>

namespace yemvo {
namespace {

using Cells = std::vector<std::uint8_t>;

/// Cells counted by the zone they lie in; 0: in none.
struct Counts {
    std::vector<std::size_t> asked, met;
    explicit Counts(std::size_t zones) : asked(zones + 1), met(zones + 1) {}
};

Counts count(const Cells& asked, const Cells& failed, const CellMask& mask, std::size_t zones) {
    Counts counts(zones);
    for (std::size_t i = 0; i < asked.size(); ++i) {
        if (!asked[i]) continue;
        ++counts.asked[mask.zone[i]];
        counts.met[mask.zone[i]] += !failed[i];
    }
    return counts;
}

void merge(Cells& into, const Cells& more) {
    for (std::size_t i = 0; i < into.size(); ++i) into[i] |= more[i];
}

void keep_worse(std::optional<Worst>& worst, const std::optional<Worst>& other) {
    if (other && (!worst || other->margin < worst->margin)) worst = other;
}

/// All requirements on one floor.
class FloorJudge {
public:
    FloorJudge(const Project& project, const Floor& floor, const FloorPrediction& p)
        : project_(project),
          floor_(floor),
          p_(p),
          cells_(p.surface.cells()),
          cell_m2_(p.surface.cell_m * p.surface.cell_m),
          asked_(band_count(), Cells(cells_)),
          failed_(band_count(), Cells(cells_)),
          margins_(project, p) {}

    void run(Verdict& verdict) {
        std::size_t k = 0;
        for (const RequirementSet& set : *project_.requirement_sets) {
            if (!set.on) continue;
            const Cells asked = asked_cells(set, floor_, *p_.mask);
            for (const Requirement& r : set.requirements) check(r, asked, verdict.requirements[k++]);
        }
        Cells asked(cells_), failed(cells_);
        for (const Band& b : bands()) {
            merge(asked, asked_[b.id.index]);
            merge(failed, failed_[b.id.index]);
            for (BandResult& result : verdict.bands)
                if (result.band == b.id)
                    add_areas(asked_[b.id.index], failed_[b.id.index], result.floors, result.zones, &result);
        }
        add_areas(asked, failed, verdict.floors, verdict.zones, nullptr);
    }

private:
    std::size_t zone_count() const { return floor_.zones->size(); }
    double area(std::size_t cells) const { return static_cast<double>(cells) * cell_m2_; }
    ZoneId zone(std::size_t index) const { return index ? (*floor_.zones)[index - 1].id : ZoneId{}; }

    void check(const Requirement& r, const Cells& asked, RequirementResult& result) {
        const Margins whole = margins_.over_bands(r);
        std::vector<PlaceResult> by_zone(zone_count() + 1);
        for (auto& place : by_zone) place.met_m2.assign(band_count(), 0);
        for (BandId b : r.bands.list()) {
            const Cells failed = missed(r.any_band || r.bands.single() ? whole : margins_.in(r, b), asked);
            const Counts counts = count(asked, failed, *p_.mask, zone_count());
            for (std::size_t z = 0; z < by_zone.size(); ++z) {
                by_zone[z].demanded_m2 = area(counts.asked[z]);
                by_zone[z].met_m2[b.index] = area(counts.met[z]);
            }
            merge(failed_[b.index], failed);
            merge(asked_[b.index], asked);
        }
        find_worst(r, whole, asked, by_zone);
        add(by_zone, result);
    }
    Cells missed(const Margins& m, const Cells& asked) const {
        Cells out(cells_);
        for (std::size_t i = 0; i < cells_; ++i) out[i] = asked[i] & static_cast<std::uint8_t>(m.margin[i] < 0);
        return out;
    }
    void find_worst(const Requirement& r, const Margins& m, const Cells& asked,
                    std::vector<PlaceResult>& by_zone) const {
        std::vector<std::size_t> least(by_zone.size(), cells_);
        for (std::size_t i = 0; i < cells_; ++i) {
            if (!asked[i]) continue;
            std::size_t& worst = least[p_.mask->zone[i]];
            if (worst == cells_ || m.margin[i] < m.margin[worst]) worst = i;
        }
        const double sign = required_lens(r).more_is_better ? 1 : -1;
        for (std::size_t z = 0; z < by_zone.size(); ++z) {
            if (least[z] == cells_) continue;
            const BandId b{m.band[least[z]]};
            const double by = double{m.margin[least[z]]};
            by_zone[z].worst = Worst{p_.surface.centre(least[z]), r.limit_in(b) + sign * by, b, by};
        }
    }
    void add(const std::vector<PlaceResult>& by_zone, RequirementResult& result) const {
        PlaceResult floor{floor_.id, {}, 0, std::vector<double>(band_count()), {}};
        for (std::size_t z = 0; z < by_zone.size(); ++z) {
            PlaceResult place = by_zone[z];
            if (place.demanded_m2 <= 0) continue;
            floor.demanded_m2 += place.demanded_m2;
            for (std::size_t b = 0; b < place.met_m2.size(); ++b) floor.met_m2[b] += place.met_m2[b];
            keep_worse(floor.worst, place.worst);
            place.floor = floor_.id;
            place.zone = zone(z);
            if (z > 0) result.zones.push_back(std::move(place));
        }
        if (floor.demanded_m2 <= 0) return;
        result.site.demanded_m2 += floor.demanded_m2;
        for (std::size_t b = 0; b < floor.met_m2.size(); ++b) result.site.met_m2[b] += floor.met_m2[b];
        if (floor.worst && (!result.site.worst || floor.worst->margin < result.site.worst->margin))
            result.site.floor = floor_.id;
        keep_worse(result.site.worst, floor.worst);
        result.floors.push_back(std::move(floor));
    }
    void add_areas(const Cells& asked, const Cells& failed, std::vector<FloorArea>& floors,
                   std::vector<ZoneArea>& zones, Area* sum) const {
        const Counts counts = count(asked, failed, *p_.mask, zone_count());
        FloorArea whole{{}, floor_.id};
        for (std::size_t z = 0; z < counts.asked.size(); ++z) {
            const Area here{area(counts.asked[z]), area(counts.met[z])};
            whole.demanded_m2 += here.demanded_m2;
            whole.met_m2 += here.met_m2;
            if (z > 0 && counts.asked[z] > 0) zones.push_back({here, floor_.id, zone(z)});
        }
        if (whole.demanded_m2 > 0) floors.push_back(whole);
        if (!sum) return;
        sum->demanded_m2 += whole.demanded_m2;
        sum->met_m2 += whole.met_m2;
    }

    const Project& project_;
    const Floor& floor_;
    const FloorPrediction& p_;
    std::size_t cells_;
    double cell_m2_;
    std::vector<Cells> asked_, failed_;  ///< of all requirements so far, by band
    FloorMargins margins_;
};

BandResult& band_result(Verdict& verdict, BandId id) {
    for (BandResult& b : verdict.bands)
        if (b.band == id) return b;
    verdict.bands.push_back({{}, id, 0, {}, {}});
    return verdict.bands.back();
}

Verdict nothing_judged(const Project& project) {
    Verdict verdict;
    for (const RequirementSet& set : *project.requirement_sets) {
        if (!set.on) continue;
        for (const Requirement& r : set.requirements) {
            required_lens(r);
            RequirementResult result{r, set.id, {}, {}, {}};
            result.site.met_m2.assign(band_count(), 0);
            verdict.requirements.push_back(std::move(result));
            for (BandId id : r.bands.list()) {
                BandResult& b = band_result(verdict, id);
                b.share_required = std::max(b.share_required, r.share_required);
            }
        }
    }
    std::sort(verdict.bands.begin(), verdict.bands.end(),
              [](const BandResult& a, const BandResult& b) { return a.band < b.band; });
    return verdict;
}

}  // namespace

std::string requirement_name(const Requirement& r) {
    const auto id = find_lens(r.lens);
    std::string text = bands_text(r.bands);
    if (r.any_band)
        if (const auto at = text.find(" and "); at != std::string::npos) text.replace(at, 5, " or ");
    return (id ? lens(*id).name : r.lens) + ", " + text;
}

bool needs_deviation(const Project& project) {
    return std::ranges::any_of(requirements_in_force(project), [](const Requirement* r) {
        return r->lens == lens(LensId::confidence).key;
    });
}

Outcome outcome(double share_met, double share_required) {
    if (share_met >= share_required - 1e-9) return Outcome::met;
    return share_met >= share_required - 0.01 ? Outcome::near : Outcome::not_met;
}

double RequirementResult::share_met(const PlaceResult& place) const {
    double least = 1;
    for (BandId b : requirement.bands.list()) least = std::min(least, place.share_met(b));
    return least;
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

const FloorArea* Verdict::find(FloorId id) const {
    for (const FloorArea& f : floors)
        if (f.floor == id) return &f;
    return nullptr;
}

const RequirementResult* Verdict::find(RequirementId id) const {
    for (const RequirementResult& r : requirements)
        if (r.requirement.id == id) return &r;
    return nullptr;
}

Verdict judge(const Project& project, const SitePrediction& site) {
    Verdict verdict = nothing_judged(project);
    for (const Floor* floor : all_floors(project))
        if (const FloorPrediction* p = site.find(floor->id)) FloorJudge(project, *floor, *p).run(verdict);
    return verdict;
}

}  // namespace yemvo
