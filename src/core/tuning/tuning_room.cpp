// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/tuning_room.h"

#include <algorithm>
#include <cmath>
#include <numeric>

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

    TuningRoom room() {
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
            noise_counts_ = required_lens(r).id == LensId::snr;
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
        const double limit_cdbm = levels_[n - 1].cdbm - 100 * margin_db;
        const bool spare =
            levels_.size() > n && levels_[n].cdbm >= limit_of(levels_[n], width_of(levels_[n]), limit_cdbm);
        for (std::size_t i = 0; i < n; ++i) {
            const Level& l = levels_[i];
            RoomPart& part = part_of(r.id, band, l.field);
            count(part.held, l.cdbm - limit_of(l, width_of(l), limit_cdbm), true);
            if (!rate_limits_.empty() || noise_counts_)
                for (const int width : channel_widths_mhz())
                    if (width != width_of(l))
                        count(part.at_width[width], l.cdbm - limit_of(l, width, limit_cdbm), false);
            if (!spare) ++part.lone;
        }
    }

    int width_of(const Level& l) const { return (*p_.radios)[l.field].channel.width_mhz; }

    /// From which level [hundredths of a dBm] it holds by that radio on such a width; `present_cdbm`: on its
    /// own, where no rate is asked for.
    double limit_of(const Level& l, int width_mhz, double present_cdbm) const {
        if (!rate_limits_.empty()) {
            const auto& by_width = rate_limits_[l.field];
            const auto at = by_width.find(width_mhz);
            return at == by_width.end() ? never_cdbm : at->second;
        }
        return noise_counts_ ? present_cdbm + 1000 * std::log10(1.0 * width_mhz / width_of(l)) : present_cdbm;
    }

    /// `holds`: by what was judged, whatever rounding says.
    static void count(RoomPart::Held& held, double spare_cdb, bool holds) {
        const double db = std::floor(spare_cdb / 100 + 1e-9);
        if (db < 0 && !holds)
            ++held.lost;
        else
            ++held.by_db[static_cast<std::size_t>(std::clamp<double>(db, 0, RoomPart::most_db))];
    }

    /// The level from which each radio gives the rate, on each width.
    void find_rate_limits(const Requirement& r, BandId band) {
        rate_limits_.assign(p_.radios->size(), {});
        const ClientProfile who = choice_of(project_, r, band).client;
        for (const std::size_t k : some_)
            for (const int width : channel_widths_mhz()) {
                const RadioField& f = (*p_.radios)[k];
                const RateLadder ladder(f.ability, {band, f.channel.number, width}, who, who.noise_figure_db);
                const auto& steps = ladder.steps();
                const auto enough = std::ranges::find_if(steps, [&](const RateLadder::Step& step) {
                    return step.mbps >= r.limit_in(band) - 1e-6;
                });
                if (enough != steps.end()) rate_limits_[k][width] = 100 * enough->received_dbm;
            }
    }

    RoomPart& part_of(RequirementId id, BandId band, std::size_t field) {
        const RadioField& f = (*p_.radios)[field];
        std::vector<RoomPart>& own = out_.parts[{f.access_point, f.radio}];
        const auto at = std::ranges::find_if(
            own, [&](const RoomPart& p) { return p.requirement == id && p.band == band; });
        return at == own.end() ? own.emplace_back(RoomPart{id, band, {}, {}, 0}) : *at;
    }

    const Project& project_;
    const FloorPrediction& p_;
    TuningRoom out_;
    std::vector<std::size_t> some_;
    static constexpr double never_cdbm = 1e6;
    /// By field, by width [hundredths of a dBm]; empty for other lenses.
    std::vector<std::map<int, double>> rate_limits_;
    bool noise_counts_ = false;
    std::vector<Level> levels_;
};

/// Over all floors.
RoomPart::Held held_on(const std::vector<RoomPart>& parts, const RoomTotal& of, int width_mhz) {
    RoomPart::Held sum;
    for (const RoomPart& p : parts) {
        if (p.requirement != of.requirement || p.band != of.band) continue;
        const auto other = p.at_width.find(width_mhz);
        const RoomPart::Held& held = other == p.at_width.end() ? p.held : other->second;
        sum.lost += held.lost;
        for (std::size_t i = 0; i < sum.by_db.size(); ++i) sum.by_db[i] += held.by_db[i];
    }
    return sum;
}

}  // namespace

void TuningRoom::add(const TuningRoom& o) {
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

double TuningRoom::room_db(const RadioRef& radio) const { return *room_db(radio, 0); }

std::optional<double> TuningRoom::room_db(const RadioRef& radio, int width_mhz) const {
    double room = RoomPart::most_db;
    const auto own = parts.find(radio);
    if (own == parts.end()) return room;
    for (const RoomTotal& t : totals) {
        if (t.asked == 0 || t.met == 0) continue;
        const double share = static_cast<double>(t.met) / static_cast<double>(t.asked);
        // one that does not hold is kept as it is as well
        const double to_give = share > t.share_required ? 0.5 * (share - t.share_required) / share : 0;
        const RoomPart::Held sum = held_on(own->second, t, width_mhz);
        const double all = std::accumulate(sum.by_db.begin(), sum.by_db.end(), 1.0 * sum.lost);
        double below = sum.lost;
        if (below > to_give * all) return std::nullopt;
        for (int db = 0; db < RoomPart::most_db; ++db) {
            below += sum.by_db[static_cast<std::size_t>(db)];
            if (below > to_give * all) {
                room = std::min(room, static_cast<double>(db));
                break;
            }
        }
    }
    return room;
}

bool TuningRoom::can_go(const RadioRef& radio) const {
    const auto own = parts.find(radio);
    return own == parts.end() ||
           std::ranges::none_of(own->second, [](const RoomPart& p) { return p.lone > 0; });
}

TuningRoom tuning_room_on(const Project& project, const FloorPrediction& p) {
    return FloorRoom(project, p).room();
}

}  // namespace yemvo
