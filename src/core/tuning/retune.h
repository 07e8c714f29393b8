// SPDX-License-Identifier: GPL-3.0-or-later
// Other channels and widths for a project's radios: least air lost, weighted by demand, with as few changes
// as they are worth.
//
// The objective is the share of time in which the air is in use at a radio, in the mean over the demand:
//   sum over radios of demand_i (air_i(width) + sum over the others of air_share x heard x air_j(width)).
// What a radio takes of the air at each width is worked out by the airtime model, as if it were alone.
#pragma once
#include <functional>
#include <map>
#include <optional>
#include <set>

#include "tuning/meetings.h"
#include "tuning/permits.h"
#include "tuning/search.h"
#include "tuning/tuning_room.h"

namespace yemvo {

enum class DfsUse { as_others, only_if_worth, never };

struct RetuneAsk {
    BandSet bands = all_bands();
    std::vector<AccessPointId> only = {};  ///< empty: all; locked radios stay in any case
    /// Else each keeps its own. With the room of each known, none takes a width on which a requirement of
    /// rate or SNR that holds would no longer hold.
    bool widths = true;
    std::map<BandId, int> widest_mhz = {{band_24, 20}, {band_5, 80}, {band_6, 160}};
    /// So wide in any case, or as wide as the radio may be below that.
    std::map<BandId, int> exactly_mhz = {};
    std::vector<int> channels_24 = {1, 6, 11};  ///< 20 MHz channels at 2.4 GHz that may be taken
    /// 20 MHz channels at 5 and 6 GHz that nothing may reach over.
    std::map<BandId, std::vector<int>> left_out = {};
    DfsUse dfs = DfsUse::only_if_worth;
    /// Powers may come down, as far as every requirement that holds still holds (TuningRoom); needs that
    /// room.
    bool powers = false;
    /// 2.4 GHz radios may go off where every place is served without them and no busy hour carries less.
    bool off = false;
    /// A way out that is stronger than the way back by more than this costs something.
    double way_back_db = 9;
    /// What a change has to gain of the demand-weighted air [0, 1], to be made.
    double change_worth = 0.0005;
    std::uint64_t seed = 1;
    double seconds = 20;
};

struct RetuneChange {
    FloorId floor;
    AccessPointId access_point;
    int number = 0;
    std::size_t radio = 0;
    Radio before, after;
    double gain = 0;  ///< by how much the objective is worse without this change, the others made
};

/// What a busy hour carries with the present settings and with the others.
struct RetunedHour {
    std::string hour;
    double satisfied_before = 1, satisfied_after = 1;        ///< shares of clients
    double carried_before_mbps = 0, carried_after_mbps = 0;  ///< down and up
};

struct RetuneResult {
    double before = 0, after = 0;  ///< objective, changes not counted
    double lower_bound = 0;        ///< of any plan, however much it changes
    bool proven = false;  ///< no plan is better, changes counted at what they have to be worth; powers
                          ///< and radios that go off are no part of a proof
    bool out_of_time = false;
    double worst_start = 0;
    double seconds = 0;
    std::size_t radios = 0, parts = 0;
    std::vector<RetuneChange> changes;  ///< most gain first
    std::vector<Said> cannot;           ///< radios that have no permitted channel
    std::vector<RetunedHour> hours;     ///< by the capacity of the whole site; empty without demand
};

/// What each radio takes of the air at each width, as if it were alone: by width, as SiteAir::radios.
using AirByWidth = std::map<int, std::vector<double>>;
/// `down_db`: heard so much weaker than it is.
AirByWidth air_by_width(const Project&, const std::vector<std::shared_ptr<const HeardFloor>>&,
                        const CancelToken& = {}, int down_db = 0);
/// Powers are tried in steps of this, so many below the present one.
inline constexpr int power_step_db = 3, power_steps = 4;

/// A retuning being worked out; keeps what it was made from.
class Retuning {
public:
    /// `scene`: of the site, for who hangs outdoors. `capacity` may be null: then each radio is taken to send
    /// for assumed_use, and less where it is wider.
    /// `room`: null: powers stay, nobody goes off, and widths may take the rate from a requirement.
    Retuning(const Project&, const Scene&, const SiteHearing&, const SiteCapacity*, RetuneAsk,
             const CancelToken& = {}, const TuningRoom* room = nullptr);
    const RetuneInstance& instance() const { return instance_; }
    /// `better` is told each plan that is better than the one before, from any thread.
    RetuneResult run(const CancelToken& = {},
                     const std::function<void(const RetuneResult&)>& better = {}) const;

private:
    void add_radio(const Scene&, std::uint32_t);
    void add_pairs();
    /// `down_db`: below its present power, a whole number of power_step_db.
    double air_at_width(std::uint32_t radio, int width_mhz, int down_db = 0) const;
    double way_back_cost(std::uint32_t radio, double power_dbm) const;
    using Chosen = std::vector<TunedSetting>;  ///< of each radio of the instance
    Chosen chosen_of(const Assignment&) const;
    RetuneInstance with_powers(const Chosen&) const;
    RetuneInstance with_channels(const Chosen&) const;
    bool tune_powers(Chosen&, const SearchWish&, const CancelToken&) const;
    void switch_off(RetuneResult&, const CancelToken&) const;
    bool has_gone_beside(std::uint32_t radio, const std::set<std::uint32_t>& off) const;
    std::shared_ptr<const SiteCapacity> capacity_after(const std::vector<RetuneChange>&,
                                                       const CancelToken&) const;
    double lost_to_neighbours(std::uint32_t radio, const Channel&, int primary) const;
    void carry(RetuneResult&, const CancelToken&) const;
    bool may_take(const AirRadio&, const OpenChannel&) const;
    int widest_asked(const AirRadio&) const;
    TunedSetting setting(std::uint32_t radio, const Channel&, int primary, double power_dbm,
                         double more) const;
    void allow_channels(TunedRadio&, std::uint32_t radio, Place, const AccessPoint&);
    RetuneInstance plain(const Chosen&) const;
    RetuneChange change_of(std::size_t k, const TunedSetting& to) const;
    RetuneResult tell(const Chosen&) const;

    Project project_;
    SiteAir air_;
    std::vector<std::vector<HeardRadio>> neighbours_of_;  ///< what each hears of other people
    std::optional<TuningRoom> room_;
    std::vector<AirByWidth> by_width_;  ///< at the present power, and every power_step_db below it
    RetuneAsk ask_;
    RetuneInstance instance_;
    std::vector<std::uint32_t> of_;  ///< radios of the instance, as indices into air_.radios
    std::vector<Said> cannot_;
    std::shared_ptr<const SiteCapacity> capacity_;  ///< as it is now
};

/// The changes made, as one edit. In a variant of its own access points have other ids: they are found by
/// their numbers then.
void make_changes(Project&, std::span<const RetuneChange>);

}  // namespace yemvo
