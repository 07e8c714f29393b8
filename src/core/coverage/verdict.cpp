#include "coverage/verdict.h"

#include <tbb/parallel_for.h>

#include <algorithm>
#include <iterator>

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
            const AskedCells asked = by_zone(asked_cells(set, floor_, *p_.mask), *p_.mask);
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

    void check(const Requirement& r, const AskedCells& asked, RequirementResult& result) {
        margins_.over_bands(r, asked.cells, whole_, each_);
        std::vector<PlaceResult> places(asked.zones.size());
        const auto bands = r.bands.list();
        for (std::size_t b = 0; b < bands.size(); ++b) {
            const std::vector<float>& margin = r.any_band ? whole_.margin : each_[b];
            for (std::size_t z = 0; z < places.size(); ++z) {
                const auto [zone, begin, end] = asked.zones[z];
                places[z].demanded_m2 = area(end - begin);
                places[z].met_m2.resize(band_count());
                places[z].met_m2[bands[b].index] = area(kept(margin, begin, end));
            }
            std::uint8_t* failed = failed_[bands[b].index].data();
            std::uint8_t* asked_here = asked_[bands[b].index].data();
            for (std::size_t k = 0; k < asked.cells.size(); ++k) {
                failed[asked.cells[k]] |= static_cast<std::uint8_t>(margin[k] < 0);
                asked_here[asked.cells[k]] = 1;
            }
        }
        for (std::size_t z = 0; z < places.size(); ++z) {
            places[z].zone = zone(asked.zones[z].zone);
            places[z].worst = worst(r, asked, asked.zones[z]);
        }
        add(places, result);
    }
    static std::size_t kept(const std::vector<float>& margin, std::size_t begin, std::size_t end) {
        std::size_t count = 0;
        for (std::size_t k = begin; k < end; ++k) count += margin[k] >= 0;
        return count;
    }
    Worst worst(const Requirement& r, const AskedCells& asked, const AskedCells::Range& range) const {
        const auto first = whole_.margin.begin();
        const auto least = std::min_element(first + static_cast<std::ptrdiff_t>(range.begin),
                                            first + static_cast<std::ptrdiff_t>(range.end));
        const auto k = static_cast<std::size_t>(least - first);
        const double sign = required_lens(r).more_is_better ? 1 : -1, by = double{*least};
        const BandId b{whole_.band[k]};
        return {p_.surface.centre(asked.cells[k]), r.limit_in(b) + sign * by, b, by};
    }
    void add(std::vector<PlaceResult>& places, RequirementResult& result) const {
        if (places.empty()) return;
        PlaceResult floor{floor_.id, {}, 0, std::vector<double>(band_count()), {}};
        for (PlaceResult& place : places) {
            floor.demanded_m2 += place.demanded_m2;
            for (std::size_t b = 0; b < place.met_m2.size(); ++b) floor.met_m2[b] += place.met_m2[b];
            keep_worse(floor.worst, place.worst);
            place.floor = floor_.id;
            if (place.zone) result.zones.push_back(std::move(place));
        }
        result.site.demanded_m2 += floor.demanded_m2;
        for (std::size_t b = 0; b < floor.met_m2.size(); ++b) result.site.met_m2[b] += floor.met_m2[b];
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
    Margins whole_;
    std::vector<std::vector<float>> each_;  ///< margins of the requirement at hand, by its bands
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
    return std::ranges::any_of(requirements_in_force(project),
                               [](const Requirement* r) { return r->lens == lens(LensId::confidence).key; });
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

/// Adds what one floor reached; floors are judged apart and join in their order.
static void join(Verdict& whole, Verdict&& floor) {
    const auto append = [](auto& to, auto& from) {
        to.insert(to.end(), std::make_move_iterator(from.begin()), std::make_move_iterator(from.end()));
    };
    for (std::size_t k = 0; k < whole.requirements.size(); ++k) {
        RequirementResult &to = whole.requirements[k], &from = floor.requirements[k];
        to.site.demanded_m2 += from.site.demanded_m2;
        for (std::size_t b = 0; b < to.site.met_m2.size(); ++b) to.site.met_m2[b] += from.site.met_m2[b];
        if (from.site.worst && (!to.site.worst || from.site.worst->margin < to.site.worst->margin)) {
            to.site.worst = from.site.worst;
            to.site.floor = from.site.floor;
        }
        append(to.floors, from.floors);
        append(to.zones, from.zones);
    }
    for (std::size_t b = 0; b < whole.bands.size(); ++b) {
        whole.bands[b].demanded_m2 += floor.bands[b].demanded_m2;
        whole.bands[b].met_m2 += floor.bands[b].met_m2;
        append(whole.bands[b].floors, floor.bands[b].floors);
        append(whole.bands[b].zones, floor.bands[b].zones);
    }
    append(whole.floors, floor.floors);
    append(whole.zones, floor.zones);
}

Verdict judge(const Project& project, const SitePrediction& site) {
    Verdict verdict = nothing_judged(project);
    const auto floors = all_floors(project);
    std::vector<Verdict> parts(floors.size(), verdict);
    tbb::parallel_for(std::size_t{0}, floors.size(), [&](std::size_t i) {
        if (const FloorPrediction* p = site.find(floors[i]->id))
            FloorJudge(project, *floors[i], *p).run(parts[i]);
    });
    for (Verdict& part : parts) join(verdict, std::move(part));
    return verdict;
}

}  // namespace yemvo
