// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/site_cover.h"

#include <tbb/parallel_for.h>

#include <algorithm>
#include <cmath>

#include "base/error.h"
#include "cabling/cable_reach.h"
#include "coverage/margins.h"
#include "project/demand_place.h"
#include "proposal/asked_part.h"
#include "proposal/candidate_places.h"
#include "proposal/hanging_ground.h"
#include "tuning/permits.h"

namespace yemvo {
namespace {

/// How a requirement is asked of one access point alone, and of how many it has to be true.
struct SingleQuestion {
    std::string lens;
    int times = 1;
};
std::optional<SingleQuestion> single_question(const Requirement& r) {
    switch (required_lens(r).id) {
        case LensId::signal:
        case LensId::snr:
        case LensId::rate_down:
        case LensId::rate_up:
            return SingleQuestion{r.lens, 1};
        case LensId::sinr:
            return SingleQuestion{"snr", 1};
        case LensId::next_best:
        case LensId::failure:
            return SingleQuestion{"signal", 2};
        case LensId::third:
            return SingleQuestion{"signal", 3};
        default:
            return std::nullopt;
    }
}

/// The fields of one access point alone, as a prediction that can be judged.
FloorPrediction alone(const FloorPrediction& all, std::size_t begin, std::size_t end) {
    FloorPrediction out;
    out.floor = all.floor;
    out.surface = all.surface;
    out.scene = all.scene;
    out.mask = all.mask;
    out.neighbours = all.neighbours;
    const auto from = all.radios->begin() + std::ptrdiff_t(begin),
               to = all.radios->begin() + std::ptrdiff_t(end);
    auto radios = std::make_shared<const std::vector<RadioField>>(from, to);
    out.band_in_use.assign(band_count(), 0);
    for (const RadioField& f : *radios) out.band_in_use[f.band.index] = 1;
    for (const Band& b : bands()) {
        out.by_band.push_back(std::make_shared<const Reduction>(reduce(*radios, b.id, all.surface.cells())));
        out.band_keys.push_back(b.id.index);
    }
    out.radios = std::move(radios);
    out.memo = std::make_shared<FloorMemo>(std::make_shared<MemoryBudget>(std::size_t{4} << 20));
    return out;
}

class SiteCoverMaker {
public:
    SiteCoverMaker(const Project& project, Predictor& predictor, const ProposalAsk& ask,
                   const SiteCoverWish& wish, const CancelToken& cancel)
        : project_(project),
          predictor_(predictor),
          ask_(ask),
          wish_(wish),
          cancel_(cancel),
          part_(project, ask) {
        scene_ = std::make_shared<const Scene>(make_scene(project, *predictor.store().scenes()));
    }

    SiteCover made() {
        if (ask_.cabled && !ask_.cabled->has_closets())
            throw Error(say("no closet stands that cables could reach"), {},
                        say("Place a closet, or let access points hang without regard to cables"));
        const std::vector<FloorId> asked = floors_asked(project_, ask_);
        for (const Floor* f : all_floors(project_)) {
            const bool is_asked = std::ranges::count(asked, f->id) > 0;
            add_standing(*f, is_asked);
            if (is_asked) add_places(*f);
        }
        add_columns();
        const Project with_all = with_candidates(project_, out_.candidates);
        for (const FloorId id : asked) add_floor(with_all, id);
        if (out_.problem.groups.empty())
            throw Error(say("no requirement in force asks for a signal, SNR or rate on these floors"), {},
                        say("Add a requirement, or turn one on, for zones that have an area"));
        out_.beyond_reach = take_down_needs(out_.problem);
        const std::vector<char> implied = implied_groups(out_.problem, about_);
        std::vector<CoverSubject> subjects;
        std::vector<std::uint32_t> beyond;
        std::vector<double> row_m2;
        for (const std::size_t g : take_away_groups(out_.problem, implied)) {
            row_m2.push_back(out_.row_m2[g]);
            subjects.push_back(out_.subjects[g]);
            beyond.push_back(out_.beyond_reach[g]);
        }
        out_.row_m2 = std::move(row_m2);
        out_.subjects = std::move(subjects);
        for (const FloorId id : asked) add_served(*find_floor(project_, id));
        hold_within_reach();
        out_.beyond_reach = std::move(beyond);
        return std::move(out_);
    }

private:
    void add_standing(const Floor& f, bool is_asked) {
        for (const AccessPoint& ap : access_points(project_, f.id)) {
            const bool stays = !is_asked || ask_.keep || std::ranges::count(ask_.locked, ap.id) > 0 ||
                               !part_.has(f.id, ap.position);
            ProposalCandidate c{f.id, ap, true};
            if (!stays) as_planned(f, c.access_point);
            out_.candidates.push_back(std::move(c));
            fixed_.push_back(stays);
            costs_.push_back(is_asked ? access_point_cost(project_, ap, ask_.goal) : 0);
            if (const auto reach = ask_.reach_m.find(ap.id); !stays && reach != ask_.reach_m.end())
                add_within_reach(f, out_.candidates.size() - 1, reach->second);
        }
    }

    /// Other places of what may move a little.
    void add_within_reach(const Floor& f, std::size_t own, double reach_m) {
        const HangingGround ground(project_, *scene_, f, ask_);
        const ProposalCandidate hangs = out_.candidates[own];
        out_.candidates[own].of = hangs.access_point.id;
        constexpr double least_m = 0.75;
        for (double away = reach_m; away >= least_m; away /= 2)
            for (int i = 0; i < 8; ++i) {
                ProposalCandidate c = hangs;
                const double angle = i * 3.14159265358979 / 4;
                c.access_point.position =
                    hangs.access_point.position + Point{std::trunc(100 * away * std::cos(angle)) / 100,
                                                        std::trunc(100 * away * std::sin(angle)) / 100};
                if (!ground.may_hang(c.access_point.position)) continue;
                c.stands = false;
                c.of = hangs.access_point.id;
                out_.candidates.push_back(std::move(c));
                fixed_.push_back(false);
                costs_.push_back(costs_[own]);
            }
    }

    /// Each of those stays at one of its places.
    void hold_within_reach() {
        std::map<AccessPointId, std::vector<std::uint32_t>> places;
        for (std::uint32_t c = 0; c < out_.candidates.size(); ++c)
            if (out_.candidates[c].of.value != 0) places[out_.candidates[c].of].push_back(c);
        for (const auto& [id, columns] : places) {
            const auto row = static_cast<std::uint32_t>(out_.problem.rows());
            out_.problem.groups.push_back({row, 1, 1, 1});
            out_.problem.block.push_back(row);
            for (const std::uint32_t c : columns) out_.problem.columns[c].rows.push_back(row);
        }
    }

    /// Hung as it is, set as a proposal sets it.
    void as_planned(const Floor& f, AccessPoint& ap) const {
        const Place place = place_of(*scene_, f, ap);
        for (std::size_t r = 0; r < ap.radios.size(); ++r) {
            Radio& radio = ap.radios[r];
            radio.on = ask_.bands.contains(radio.channel.band);
            if (radio.on && !radio.locked) radio.power_dbm = planned_power_dbm(project_, place, ap, r);
        }
    }

    void add_places(const Floor& f) {
        const bool yard = scene_->floor(f.id).kind == BuildingKind::yard;
        const std::vector<Point> places = candidate_places(project_, *scene_, f, ask_);
        for (const Point& p : places) {
            const bool open = yard || std::ranges::any_of(*f.zones, [&](const Zone& z) {
                                  return z.open_air && contains(z.outline, p);
                              });
            for (const ModelId id : models_for(project_, ask_, open)) {
                out_.candidates.push_back(
                    {f.id, candidate_at(project_, *scene_, f, ask_, id, p, middle_of(f, p)), false});
                fixed_.push_back(false);
                costs_.push_back(access_point_cost(project_, out_.candidates.back().access_point, ask_.goal));
            }
        }
    }

    static Point middle_of(const Floor& f, Point p) {
        for (const Zone& z : *f.zones)
            if (z.kind == ZoneKind::served && contains(z.outline, p)) return centroid(z.outline);
        return p;
    }

    void add_columns() {
        const auto& all = out_.candidates;
        if (std::ranges::none_of(all, [](const ProposalCandidate& c) { return !c.stands; }))
            throw Error(
                say("no place is left where an access point could hang"), {},
                say("Take away zones where nothing may hang, ask for less distance to walls, or choose "
                    "models that are made for these floors"));
        out_.problem.columns.resize(all.size());
        for (std::uint32_t i = 0; i < all.size(); ++i) {
            CoverColumn& c = out_.problem.columns[i];
            c.cost = costs_[i];
            c.fixed = fixed_[i];
            for (std::uint32_t k = 0; k < all.size(); ++k)
                if (k != i && are_apart(i, k)) c.apart.push_back(k);
        }
    }

    /// In no plan together. What stays in any case may hang as near to others that stay as it does now.
    bool are_apart(std::uint32_t a, std::uint32_t b) const {
        const ProposalCandidate &one = out_.candidates[a], &other = out_.candidates[b];
        if (!(one.floor == other.floor)) return false;
        const bool one_stays = fixed_[a] || one.of.value != 0, other_stays = fixed_[b] || other.of.value != 0;
        if (one_stays && other_stays) return one.of.value != 0 && one.of == other.of;
        return distance(one.access_point.position, other.access_point.position) < ask_.apart_m - 1e-9;
    }

    /// In halves of a metre.
    double cell_m(const Floor& f) const {
        constexpr double finest_m = 1, coarsest_m = 4;
        double area = scene_->mask(f.id).area_m2();
        if (area <= 0)
            for (const Zone& z : *f.zones)
                if (z.kind == ZoneKind::served) area += area_m2(z.outline);
        return std::clamp(std::round(2 * std::sqrt(area / wish_.cells_a_floor)) / 2, finest_m, coarsest_m);
    }

    struct Question {
        Requirement requirement;  ///< with the lens of a single access point
        BandSet bands;            ///< any of them is enough
        std::vector<std::uint32_t> cells;
        std::uint32_t first;
    };

    void add_floor(const Project& with_all, FloorId id) {
        PredictionWish wish;
        wish.cell_m = out_.cell_m[id] = cell_m(*find_floor(project_, id));
        const FloorPrediction p = predictor_.predict(with_all, {id}, wish, cancel_).floors.front();
        const std::vector<Question> questions = add_groups(p, *find_floor(project_, id));
        if (questions.empty()) return;
        const auto& radios = *p.radios;
        std::vector<std::pair<std::size_t, std::size_t>> each;  // fields of one access point
        for (std::size_t i = 0; i < radios.size();) {
            std::size_t end = i;
            bool silent = true;
            for (; end < radios.size() && radios[end].access_point == radios[i].access_point; ++end)
                silent = silent && radios[end].field->silent;
            if (!silent) each.push_back({i, end});
            i = end;
        }
        tbb::parallel_for(std::size_t{0}, each.size(), [&](std::size_t i) {
            if (cancel_.cancelled()) return;
            add_rows(with_all, alone(p, each[i].first, each[i].second), questions,
                     out_.problem.columns[radios[each[i].first].access_point.value - 1].rows);
        });
        cancel_.check();
    }

    std::vector<Question> add_groups(const FloorPrediction& p, const Floor& f) {
        std::vector<Question> out;
        for (const RequirementSet& set : *project_.requirement_sets) {
            if (!set.on) continue;
            const std::vector<std::uint32_t> cells = of_zones(asked_cells(set, f, p)->cells, f, p);
            for (const Requirement& r : set.requirements) {
                const auto question = single_question(r);
                if (!question || cells.empty()) continue;
                Requirement single = r;
                single.lens = question->lens;
                const int times = std::min(3, question->times + int{ask_.survives_one});
                std::vector<BandSet> sets;
                if (r.any_band)
                    sets.push_back(r.bands);
                else
                    for (const BandId b : r.bands.list()) sets.push_back(b);
                for (const BandSet bands : sets) {
                    bool in_use = false;
                    for (const BandId b : bands.list()) in_use = in_use || ask_.bands.contains(b);
                    if (!in_use) continue;
                    out.push_back({single, bands, cells, add_group(p, r, cells, times)});
                    out_.subjects.push_back(
                        {f.id, set.id, r.id, r.any_band ? std::nullopt : std::optional(bands.first())});
                }
            }
        }
        return out;
    }

    /// Of the zones that are asked.
    std::vector<std::uint32_t> of_zones(std::vector<std::uint32_t> cells, const Floor& f,
                                        const FloorPrediction& p) const {
        if (ask_.zones.empty()) return cells;
        std::erase_if(cells, [&](std::uint32_t cell) {
            const std::size_t zone = p.mask->zone[cell];
            return zone == 0 || std::ranges::count(ask_.zones, (*f.zones)[zone - 1].id) == 0;
        });
        return cells;
    }

    std::uint32_t add_group(const FloorPrediction& p, const Requirement& r,
                            const std::vector<std::uint32_t>& cells, int times) {
        const auto first = static_cast<std::uint32_t>(out_.problem.rows());
        const auto rows = static_cast<std::uint32_t>(cells.size());
        out_.problem.groups.push_back(
            {first, rows, static_cast<std::uint32_t>(std::ceil(r.share_required * rows - 1e-9)), times});
        ContentKey key;
        for (const std::uint32_t cell : cells) key.add(std::uint64_t{cell});
        about_.push_back(key.add(std::uint64_t{p.floor.value}).value());
        out_.row_m2.push_back(p.surface.cell_m * p.surface.cell_m);
        const int side = std::max(1, int(std::lround(wish_.block_m / p.surface.cell_m)));
        const int columns = p.surface.columns / side + 1;
        for (const std::uint32_t cell : cells) {
            const int x = int(cell) % p.surface.columns, y = int(cell) / p.surface.columns;
            out_.problem.block.push_back(static_cast<std::uint32_t>(y / side * columns + x / side));
        }
        return first;
    }

    /// Those that hang in the zone count.
    void add_served(const Floor& f) {
        constexpr std::size_t most_in_a_zone = 32;
        for (const DemandPlace& place : demand_places(f)) {
            if (!place.zone) continue;
            if (!ask_.zones.empty() && std::ranges::count(ask_.zones, place.zone->id) == 0) continue;
            std::vector<std::uint32_t> inside;
            for (std::uint32_t c = 0; c < out_.candidates.size(); ++c)
                if (out_.candidates[c].floor == f.id &&
                    contains(place.zone->outline, out_.candidates[c].access_point.position))
                    inside.push_back(c);
            const std::size_t most = std::min(most_in_a_zone, inside.size());
            out_.served.push_back({f.id, place.zone->id, out_.problem.groups.size(), most});
            for (std::size_t k = 1; k <= most; ++k) {
                const auto row = static_cast<std::uint32_t>(out_.problem.rows());
                out_.problem.groups.push_back({row, 1, 0, int(k)});
                out_.problem.block.push_back(row);
                for (const std::uint32_t c : inside) out_.problem.columns[c].rows.push_back(row);
            }
        }
    }

    static void add_rows(const Project& project, const FloorPrediction& p,
                         const std::vector<Question>& questions, std::vector<std::uint32_t>& rows) {
        FloorMargins margins(project, p);
        std::vector<float> margin, best;
        for (const Question& q : questions) {
            best.clear();
            for (const BandId b : q.bands.list()) {
                if (!p.band_in_use[b.index]) continue;
                margins.in(q.requirement, b, q.cells, margin);
                if (best.empty())
                    best = margin;
                else
                    for (std::size_t k = 0; k < best.size(); ++k) best[k] = std::max(best[k], margin[k]);
            }
            for (std::uint32_t k = 0; k < best.size(); ++k)
                if (best[k] >= 0) rows.push_back(q.first + k);
        }
    }

    const Project& project_;
    Predictor& predictor_;
    const ProposalAsk& ask_;
    const SiteCoverWish& wish_;
    const CancelToken& cancel_;
    AskedPart part_;
    std::shared_ptr<const Scene> scene_;
    SiteCover out_;
    std::vector<char> fixed_;
    std::vector<double> costs_;
    std::vector<std::uint64_t> about_;  ///< of each group: equal for the same cells
};

}  // namespace

std::string_view proposal_goal_name(ProposalGoal goal) {
    return goal == ProposalGoal::count ? "count" : goal == ProposalGoal::price ? "price" : "watts";
}

Project with_candidates(const Project& project, const std::vector<ProposalCandidate>& candidates) {
    Project p = project;
    for (Variant& v : p.variants) {
        if (!(v.id == p.variant)) continue;
        v.access_points.clear();
        for (std::size_t i = 0; i < candidates.size(); ++i) {
            AccessPoint ap = candidates[i].access_point;
            ap.number = int(i) + 1;
            ap.id = AccessPointId{static_cast<std::uint32_t>(i + 1)};
            v.access_points[candidates[i].floor].edit().push_back(std::move(ap));
        }
    }
    return p;
}

SiteCoverWish grid_for(std::size_t floors) {
    SiteCoverWish wish;
    wish.cells_a_floor = std::clamp(3500.0 / double(std::max<std::size_t>(1, floors)), 200.0, 2000.0);
    return wish;
}

std::vector<FloorId> floors_asked(const Project& project, const ProposalAsk& ask) {
    std::vector<FloorId> out;
    for (const Floor* f : all_floors(project))
        if ((ask.floors.empty() || std::ranges::count(ask.floors, f->id) > 0) &&
            (ask.zones.empty() || std::ranges::any_of(*f->zones, [&](const Zone& z) {
                 return std::ranges::count(ask.zones, z.id) > 0;
             })))
            out.push_back(f->id);
    return out;
}

SiteCover site_cover(const Project& project, Predictor& predictor, const ProposalAsk& ask,
                     const SiteCoverWish& wish, const CancelToken& cancel) {
    return SiteCoverMaker(project, predictor, ask, wish, cancel).made();
}

}  // namespace yemvo
