// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/verdict.h"

#include <algorithm>
#include <array>
#include <iterator>

#include "coverage/each.h"
#include "coverage/lens_kernels.h"
#include "project/working_radio.h"

namespace yemvo {
namespace {

/// A bit a band.
using BandBits = std::uint8_t;

BandBits bit(BandId band) { return static_cast<BandBits>(1u << band.index); }

void keep_worse(std::optional<Worst>& worst, const std::optional<Worst>& other) {
    if (other && (!worst || other->margin < worst->margin)) worst = other;
}

/// Of which bands something is asked at each cell of a floor, and in which of them something is missed.
class FloorTally {
public:
    explicit FloorTally(std::size_t cells) : asked_(cells), missed_(cells) {
        if (band_count() > most_bands) throw std::logic_error("more bands than a tally has bits for");
    }

    void add(const AskedCells& asked, BandBits bands, const std::vector<BandBits>& missed) {
        for (std::size_t k = 0; k < missed.size(); ++k) {
            asked_[asked.cells[k]] |= bands;
            missed_[asked.cells[k]] |= missed[k];
        }
    }
    /// Cells by the zone they lie in (0: in none) and what is asked and missed there.
    void count(const CellMask& mask, std::size_t zones) {
        counts_.assign(zones + 1, {});
        for (std::size_t i = 0; i < asked_.size(); ++i)
            if (asked_[i]) ++counts_[mask.zone[i]][asked_[i]][missed_[i]];
    }
    struct Cells {
        std::size_t asked = 0, met = 0;
    };
    /// Of one zone: cells that are asked for something in these bands, and miss nothing of it.
    Cells in(std::size_t zone, BandBits bands) const {
        Cells sum;
        for (std::size_t asked = 1; asked < bits; ++asked)
            for (std::size_t missed = 0; missed < bits; ++missed) {
                if (!(asked & bands)) continue;
                sum.asked += counts_[zone][asked][missed];
                if (!(missed & bands)) sum.met += counts_[zone][asked][missed];
            }
        return sum;
    }
    std::size_t zones() const { return counts_.size(); }

private:
    static constexpr std::size_t most_bands = 3, bits = std::size_t{1} << most_bands;
    std::vector<BandBits> asked_, missed_;
    std::vector<std::array<std::array<std::uint32_t, bits>, bits>> counts_;
};

/// All requirements on one floor.
class FloorJudge {
public:
    FloorJudge(const Project& project, const Floor& floor, const FloorPrediction& p)
        : project_(project),
          floor_(floor),
          p_(p),
          cell_m2_(p.surface.cell_m * p.surface.cell_m),
          tally_(p.surface.cells()),
          margins_(project, p) {}

    void run(Verdict& verdict) {
        std::size_t k = 0;
        for (const RequirementSet& set : *project_.requirement_sets) {
            if (!set.on) continue;
            const auto asked = asked_cells(set, floor_, p_);
            missed_.assign(asked->cells.size(), 0);
            BandBits bands = 0;
            for (const Requirement& r : set.requirements) {
                RequirementResult& result = verdict.requirements[k++];
                if (required_lens(r).counts != RequirementCounts::area) continue;
                check(r, *asked, result);
                for (BandId id : r.bands.list()) bands |= bit(id);
            }
            tally_.add(*asked, bands, missed_);
        }
        tally_.count(*p_.mask, floor_.zones->size());
        BandBits all = 0;
        for (BandResult& result : verdict.bands) {
            add_areas(bit(result.band), result.floors, result.zones, &result);
            all |= bit(result.band);
        }
        add_areas(all, verdict.floors, verdict.zones, nullptr);
    }

private:
    double area(std::size_t cells) const { return static_cast<double>(cells) * cell_m2_; }
    ZoneId zone(std::size_t index) const { return index ? (*floor_.zones)[index - 1].id : ZoneId{}; }

    void check(const Requirement& r, const AskedCells& asked, RequirementResult& result) {
        if (asked.cells.empty()) return;
        const auto bands = r.bands.list();
        each_.resize(std::max(each_.size(), bands.size()));
        for (std::size_t b = 0; b < bands.size(); ++b) margins_.in(r, bands[b], asked.cells, each_[b]);
        if (r.any_band) take_best(bands.size());
        std::vector<PlaceResult> places(asked.zones.size());
        for (std::size_t z = 0; z < places.size(); ++z) {
            const auto [index, begin, end] = asked.zones[z];
            places[z].zone = zone(index);
            places[z].asked = area(end - begin);
            places[z].met.resize(band_count());
            for (std::size_t b = 0; b < bands.size(); ++b)
                places[z].met[bands[b].index] =
                    area(kernels::kept(decides(r, b).data() + begin, end - begin));
            places[z].worst = worst(r, asked, begin, end);
        }
        for (std::size_t b = 0; b < bands.size(); ++b)
            kernels::mark_missed(decides(r, b).data(), missed_.size(), bit(bands[b]), missed_.data());
        add(places, result);
    }
    /// Where one band is enough, at each cell the best of them.
    void take_best(std::size_t bands) {
        best_ = each_[0];
        for (std::size_t b = 1; b < bands; ++b)
            for (std::size_t k = 0; k < best_.size(); ++k) best_[k] = std::max(best_[k], each_[b][k]);
    }
    /// The margins that decide about the b-th band of a requirement.
    const std::vector<float>& decides(const Requirement& r, std::size_t b) const {
        return r.any_band ? best_ : each_[b];
    }
    /// The first of the worst cells, and the first band that is so bad there, or with one band enough so
    /// good.
    Worst worst(const Requirement& r, const AskedCells& asked, std::size_t begin, std::size_t end) const {
        const auto bands = r.bands.list();
        float least = kernels::least(decides(r, 0).data() + begin, end - begin);
        for (std::size_t b = 1; b < bands.size() && !r.any_band; ++b)
            least = std::min(least, kernels::least(each_[b].data() + begin, end - begin));
        std::size_t at = end;
        for (std::size_t b = 0; b < bands.size(); ++b)
            at = begin + kernels::first_of(decides(r, b).data() + begin, at - begin, least);
        std::size_t b = 0;
        while (each_[b][at] != least) ++b;
        const double sign = required_lens(r).more_is_better ? 1 : -1, by = double{least};
        return {p_.surface.centre(asked.cells[at]), r.limit_in(bands[b]) + sign * by, bands[b], by};
    }
    void add(std::vector<PlaceResult>& places, RequirementResult& result) const {
        PlaceResult floor{floor_.id, {}, 0, std::vector<double>(band_count()), {}};
        for (PlaceResult& place : places) {
            floor.asked += place.asked;
            for (std::size_t b = 0; b < place.met.size(); ++b) floor.met[b] += place.met[b];
            keep_worse(floor.worst, place.worst);
            place.floor = floor_.id;
            if (place.zone) result.zones.push_back(std::move(place));
        }
        result.site.asked += floor.asked;
        for (std::size_t b = 0; b < floor.met.size(); ++b) result.site.met[b] += floor.met[b];
        result.site.floor = floor_.id;
        keep_worse(result.site.worst, floor.worst);
        result.floors.push_back(std::move(floor));
    }
    void add_areas(BandBits bands, std::vector<FloorArea>& floors, std::vector<ZoneArea>& zones,
                   Area* sum) const {
        FloorArea whole{{}, floor_.id};
        for (std::size_t z = 0; z < tally_.zones(); ++z) {
            const FloorTally::Cells cells = tally_.in(z, bands);
            const Area here{area(cells.asked), area(cells.met)};
            whole.demanded_m2 += here.demanded_m2;
            whole.met_m2 += here.met_m2;
            if (z > 0 && cells.asked > 0) zones.push_back({here, floor_.id, zone(z)});
        }
        if (whole.demanded_m2 > 0) floors.push_back(whole);
        if (!sum) return;
        sum->demanded_m2 += whole.demanded_m2;
        sum->met_m2 += whole.met_m2;
    }

    const Project& project_;
    const Floor& floor_;
    const FloorPrediction& p_;
    double cell_m2_;
    FloorTally tally_;
    FloorMargins margins_;
    std::vector<BandBits> missed_;          ///< by the set at hand, at the cells it asks about
    std::vector<std::vector<float>> each_;  ///< margins of the requirement at hand, by its bands
    std::vector<float> best_;
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
            result.site.met.assign(band_count(), 0);
            verdict.requirements.push_back(std::move(result));
            if (required_lens(r).counts != RequirementCounts::area) continue;
            for (BandId id : r.bands.list()) {
                BandResult& b = band_result(verdict, id);
                b.share_required = std::max(b.share_required, r.share_required);
            }
        }
    }
    std::sort(verdict.bands.begin(), verdict.bands.end(),
              [](const BandResult& a, const BandResult& b) { return a.band < b.band; });
    verdict.grid_m = project.settings.grid_m;
    verdict.floors_all = all_floors(project).size();
    return verdict;
}

}  // namespace

Said requirement_name(const Requirement& r) {
    const auto id = find_lens(r.lens);
    return said_joined(", ", id ? said_mark(lens(*id).name) : Said(r.lens),
                       r.any_band ? bands_text_any(r.bands) : bands_text(r.bands));
}

BandSet bands_not_judged(const Project& project) {
    BandSet asked, left;
    for (const Requirement* r : requirements_in_force(project))
        for (BandId id : r->bands.list()) asked = asked.with(id);
    for (const RadioAt& r : radios_at_work(project))
        if (!asked.contains(r.set().channel.band)) left = left.with(r.set().channel.band);
    return left;
}

PredictionWish wish_to_judge(const Project& project) {
    PredictionWish wish;
    wish.deviation = std::ranges::any_of(requirements_in_force(project), [](const Requirement* r) {
        const auto id = find_lens(r->lens);
        return id && lens(*id).needs.deviation;
    });
    return wish;
}

double Verdict::demanded_m2() const {
    double sum = 0;
    for (const FloorArea& f : floors) sum += f.demanded_m2;
    return sum;
}

Outcome outcome(double share_met, double share_required) {
    if (share_met >= share_required - 1e-9) return Outcome::met;
    return share_met >= share_required - 0.01 ? Outcome::near : Outcome::not_met;
}

double RequirementResult::share_met(const PlaceResult& place) const {
    if (place.met_in_all) return place.asked > 0 ? *place.met_in_all / place.asked : 0;
    double least = 1;
    for (BandId b : requirement.bands.list()) least = std::min(least, place.share_met(b));
    return least;
}

namespace {

/// Asks about clients or radios, and nobody is there.
bool counts_nobody(const RequirementResult& r) {
    return !r.asks() && required_lens(r.requirement).counts != RequirementCounts::area;
}

}  // namespace

int Verdict::not_met() const {
    const auto failed = [](const RequirementResult& r) { return !counts_nobody(r) && !r.met(); };
    return static_cast<int>(std::ranges::count_if(requirements, failed)) + (uplink && !uplink->met());
}

bool Verdict::met() const { return not_met() == 0 && !std::ranges::all_of(requirements, counts_nobody); }

bool asks_about_capacity(const Verdict& v) {
    return std::ranges::any_of(v.requirements, [](const RequirementResult& r) {
        return required_lens(r.requirement).counts != RequirementCounts::area;
    });
}

const RequirementResult* hardest_of_capacity(const Verdict& v) {
    const RequirementResult* hardest = nullptr;
    const auto left = [](const RequirementResult& r) { return r.share_met() - r.requirement.share_required; };
    for (const RequirementResult& r : v.requirements)
        if (required_lens(r.requirement).counts != RequirementCounts::area && r.asks() &&
            (!hardest || left(r) < left(*hardest)))
            hardest = &r;
    return hardest;
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

Said lacks_to_judge(const Project& project, const Verdict& verdict) {
    if (requirements_in_force(project).empty()) return say("nothing is required yet. Add a requirement set");
    if (placed_access_points(project).empty()) return say("nothing radiates yet. Place an access point");
    if (verdict.demanded_m2() > 0) return {};
    return say("nothing says where service is needed. Draw walls that close round a room, or a zone");
}

/// Adds what one floor reached; floors are judged apart and join in their order.
static void join(Verdict& whole, const Verdict& floor) {
    const auto append = [](auto& to, const auto& from) { to.insert(to.end(), from.begin(), from.end()); };
    whole.floors_judged += floor.floors_judged;
    append(whole.coarse, floor.coarse);
    for (std::size_t k = 0; k < whole.requirements.size(); ++k) {
        RequirementResult& to = whole.requirements[k];
        const RequirementResult& from = floor.requirements[k];
        to.site.asked += from.site.asked;
        for (std::size_t b = 0; b < to.site.met.size(); ++b) to.site.met[b] += from.site.met[b];
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

static void note_floor(Verdict& verdict, const FloorPrediction& p) {
    ++verdict.floors_judged;
    if (p.surface.cell_m > verdict.grid_m * 1.001) verdict.coarse.push_back({p.floor, p.surface.cell_m});
}

SiteJudge::SiteJudge(const Project& project)
    : project_(project), nothing_(nothing_judged(project)), verdict_(nothing_) {}

Verdict SiteJudge::part(const FloorPrediction& p) const {
    Verdict part = nothing_;
    FloorJudge(project_, *find_floor(project_, p.floor), p).run(part);
    note_floor(part, p);
    return part;
}

void SiteJudge::add(const Verdict& part) { join(verdict_, part); }

Verdict judge(const Project& project, const SitePrediction& site) {
    Verdict verdict = nothing_judged(project);
    const auto floors = all_floors(project);
    std::vector<Verdict> parts(floors.size(), verdict);
    std::size_t cells = 0;
    for (const FloorPrediction& p : site.floors) cells += p.surface.cells();
    each(floors.size(), cells * verdict.requirements.size() > worth_waking, [&](std::size_t i) {
        if (const FloorPrediction* p = site.find(floors[i]->id)) {
            FloorJudge(project, *floors[i], *p).run(parts[i]);
            note_floor(parts[i], *p);
        }
    });
    for (const Verdict& part : parts) join(verdict, part);
    return verdict;
}

}  // namespace yemvo
