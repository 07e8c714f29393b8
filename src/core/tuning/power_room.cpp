// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/power_room.h"

#include <algorithm>
#include <cmath>

#include "coverage/margins.h"

namespace yemvo {
namespace {

/// So many of the strongest access points have to keep the limit; 0: the lens does not ask for levels of the
/// plan's own radios; -1: it does, in a way that is not known.
int strongest_needed(LensId lens) {
    switch (lens) {
        case LensId::signal:
        case LensId::snr:
        case LensId::rate_down:
            return 1;
        case LensId::next_best:
        case LensId::failure:
            return 2;
        case LensId::third:
            return 3;
        // the client's power, or what less power does no harm to
        case LensId::rate_up:
        case LensId::balance:
        case LensId::heard:
        case LensId::contention:
        case LensId::outside:
        case LensId::interference:
        // counted by the capacity of the whole, which every plan is held against
        case LensId::mbps_client:
        case LensId::satisfied:
        case LensId::air_used:
        case LensId::radio_clients:
        case LensId::headroom:
            return 0;
        default:
            return -1;
    }
}

struct Level {
    int cdbm;
    std::size_t field;
};

/// Those of a band that come up to a limit somewhere on the floor: the others decide nothing there.
std::vector<std::size_t> fields_above(const FloorPrediction& p, BandId band, const Requirement& r,
                                      LensId lens) {
    std::vector<std::size_t> out;
    for (std::size_t k = 0; k < p.radios->size(); ++k) {
        const RadioField& f = (*p.radios)[k];
        const double limit_cdbm = lens == LensId::rate_down
                                      ? -9500
                                      : 100 * r.limit_in(band) + (lens == LensId::snr ? f.noise_cdbm : 0);
        if (f.band == band && !f.field->silent && f.field->peak_cdb + f.offset_cdb >= limit_cdbm - 1)
            out.push_back(k);
    }
    return out;
}

/// The strongest of these at a cell, each of another access point.
void strongest(const FloorPrediction& p, const std::vector<std::size_t>& some, std::size_t cell,
               std::vector<Level>& out) {
    out.clear();
    const auto& fields = *p.radios;
    for (const std::size_t k : some) {
        const RadioField& f = fields[k];
        if (f.field->gain_cdb[cell] <= silent_cdb) continue;
        const Level level{f.field->gain_cdb[cell] + f.offset_cdb, k};
        const auto same = std::ranges::find_if(
            out, [&](const Level& known) { return fields[known.field].access_point == f.access_point; });
        if (same == out.end())
            out.push_back(level);
        else if (same->cdbm < level.cdbm)
            *same = level;
    }
    std::ranges::sort(out, std::greater{}, &Level::cdbm);
}

class FloorRoom {
public:
    FloorRoom(const Project& project, const FloorPrediction& p) : project_(project), p_(p) {}

    PowerRoom room() {
        for (const RequirementSet& set : *project_.requirement_sets) {
            if (!set.on) continue;
            const AskedCells asked = *asked_cells(set, *find_floor(project_, p_.floor), p_);
            for (const Requirement& r : set.requirements) add(r, asked.cells);
        }
        return std::move(out_);
    }

private:
    void add(const Requirement& r, const std::vector<std::uint32_t>& cells) {
        const int needed = strongest_needed(required_lens(r).id);
        if (needed < 0) out_.unknown.push_back(requirement_words(r));
        if (needed <= 0 || cells.empty()) return;
        FloorMargins margins(project_, p_);
        std::vector<float> margin;
        for (BandId band : r.bands.list()) {
            margins.in(r, band, cells, margin);
            some_ = fields_above(p_, band, r, required_lens(r).id);
            rate_limits_.clear();
            if (required_lens(r).id == LensId::rate_down) find_rate_limits(r, band);
            RoomTotal total{r.id, band, r.share_required, cells.size(), 0};
            for (std::size_t k = 0; k < cells.size(); ++k)
                if (margin[k] >= 0) {
                    ++total.met;
                    hold(r, band, cells[k], static_cast<double>(margin[k]), needed);
                }
            out_.totals.push_back(total);
        }
    }

    static std::string requirement_words(const Requirement& r) { return std::string(required_lens(r).name); }

    /// A cell that holds: the strongest have to stay above the limit, each by itself.
    void hold(const Requirement& r, BandId band, std::size_t cell, double margin_db, int needed) {
        strongest(p_, some_, cell, levels_);
        const auto n = static_cast<std::size_t>(needed);
        if (levels_.size() < n) return;
        const auto limit_of = [&](const Level& l) {
            return rate_limits_.empty() ? levels_[n - 1].cdbm - 100 * margin_db : rate_limits_[l.field];
        };
        const bool spare = levels_.size() > n && levels_[n].cdbm >= limit_of(levels_[n]);
        for (std::size_t i = 0; i < n; ++i) {
            RoomPart& part = part_of(r.id, band, levels_[i].field);
            const int db =
                static_cast<int>(std::floor((levels_[i].cdbm - limit_of(levels_[i])) / 100 + 1e-9));
            ++part.held[static_cast<std::size_t>(std::clamp(db, 0, RoomPart::most_db))];
            if (!spare) ++part.lone;
        }
    }

    /// The level from which each radio gives the rate; its channel counts as it is.
    void find_rate_limits(const Requirement& r, BandId band) {
        constexpr double never_cdbm = 1e6;
        rate_limits_.assign(p_.radios->size(), never_cdbm);
        const ClientProfile who = choice_of(project_, r, band).client;
        for (const std::size_t k : some_) {
            const RadioField& f = (*p_.radios)[k];
            const RateLadder ladder(f.ability, f.channel, who, who.noise_figure_db);
            for (const RateLadder::Step& step : ladder.steps())
                if (step.mbps >= r.limit_in(band) - 1e-6) {
                    rate_limits_[k] = 100 * step.received_dbm;
                    break;
                }
        }
    }

    RoomPart& part_of(RequirementId id, BandId band, std::size_t field) {
        const RadioField& f = (*p_.radios)[field];
        std::vector<RoomPart>& own = out_.parts[{f.access_point, f.radio}];
        const auto at = std::ranges::find_if(
            own, [&](const RoomPart& p) { return p.requirement == id && p.band == band; });
        return at == own.end() ? own.emplace_back(RoomPart{id, band, {}, 0}) : *at;
    }

    const Project& project_;
    const FloorPrediction& p_;
    PowerRoom out_;
    std::vector<std::size_t> some_;
    std::vector<double> rate_limits_;  ///< by field [hundredths of a dBm]; empty for other lenses
    std::vector<Level> levels_;
};

}  // namespace

void PowerRoom::add(const PowerRoom& o) {
    for (const RoomTotal& t : o.totals) {
        const auto same = std::ranges::find_if(totals, [&](const RoomTotal& own) {
            return own.requirement == t.requirement && own.band == t.band;
        });
        if (same == totals.end()) {
            totals.push_back(t);
            continue;
        }
        same->asked += t.asked;
        same->met += t.met;
    }
    for (const auto& [radio, more] : o.parts) {
        std::vector<RoomPart>& own = parts[radio];
        own.insert(own.end(), more.begin(), more.end());
    }
    for (const std::string& name : o.unknown)
        if (std::ranges::count(unknown, name) == 0) unknown.push_back(name);
}

double PowerRoom::room_db(const RadioRef& radio) const {
    double room = RoomPart::most_db;
    const auto own = parts.find(radio);
    if (own == parts.end()) return room;
    for (const RoomTotal& t : totals) {
        if (t.asked == 0 || t.met == 0) continue;
        const double share = static_cast<double>(t.met) / static_cast<double>(t.asked);
        // one that does not hold is kept as it is as well
        const double to_give = share > t.share_required ? 0.5 * (share - t.share_required) / share : 0;
        RoomPart sum;
        for (const RoomPart& p : own->second)
            if (p.requirement == t.requirement && p.band == t.band)
                for (std::size_t i = 0; i < sum.held.size(); ++i) sum.held[i] += p.held[i];
        std::uint64_t all = 0, below = 0;
        for (std::uint32_t n : sum.held) all += n;
        for (int db = 0; db < RoomPart::most_db && all > 0; ++db) {
            below += sum.held[static_cast<std::size_t>(db)];
            if (static_cast<double>(below) > to_give * static_cast<double>(all)) {
                room = std::min(room, static_cast<double>(db));
                break;
            }
        }
    }
    return room;
}

bool PowerRoom::can_go(const RadioRef& radio) const {
    const auto own = parts.find(radio);
    return own == parts.end() ||
           std::ranges::none_of(own->second, [](const RoomPart& p) { return p.lone > 0; });
}

PowerRoom power_room_on(const Project& project, const FloorPrediction& p) {
    return FloorRoom(project, p).room();
}

}  // namespace yemvo
