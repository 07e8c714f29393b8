// SPDX-License-Identifier: GPL-3.0-or-later
// Who gets how much of the air: stations that listen before they send.
//
// A contender is one queue: an access point with all its receivers, or a client that sends. Each sees the air
// idle for a share F of time, given by the sets of its neighbours that hear each other; from that follow how
// often it can begin, how many MPDUs wait for it then, and what it takes; the neighbours see that in turn.
// The fixed point is found by sweeps. It was fitted to packet-level simulations: what it gives where all is
// carried lies within 1 % of them, in overload mostly within a few percent (docs/physics.md, Airtime).
//
// Equal contenders are computed once, with a count. Times are seconds, rates a second, shares [0, 1].
#pragma once
#include <algorithm>
#include <cstdint>
#include <vector>

#include "airtime/backoff.h"
#include "airtime/frame_cost.h"
#include "base/progress.h"

namespace yemvo {

/// One receiver of a queue, or several equal ones.
struct QueueTo {
    double msdu_per_s = 0;  ///< to each; always_full for a flow that never ends
    double count = 1;
    FrameCost cost;
    double burst = 1;  ///< MSDUs that come together, in the mean
};
inline constexpr double always_full = 1e7;

struct Contender {
    Backoff backoff;
    double space_s = 43e-6;       ///< idle time that goes before it begins: AIFS
    double count = 1;             ///< equal ones, each with its own queue
    bool hear_each_other = true;  ///< the equal ones
    double queue_msdus = 1000;    ///< before packets are dropped
    std::vector<QueueTo> to;      ///< empty: what is fixed alone
    /// What it takes of time whatever the others do, spaces counted, in how many frames: beacons, strangers.
    double fixed_share = 0, fixed_per_s = 0;
};

/// Listener and the one that it hears; `share` of the time where it is only partly heard (some of several
/// equal ones, some of the frames).
struct Hearing {
    std::uint32_t listener, heard;
    double share = 1;
};
/// A sender that `victim` does not hear and that its receivers do: their frames collide at its own strength.
struct HiddenSender {
    std::uint32_t victim, sender;
    double share = 1;  ///< of the victim's frames that are in reach of it
};

struct Contention {
    std::vector<Contender> contenders;
    std::vector<Hearing> hearing;  ///< none of a contender with itself
    std::vector<HiddenSender> hidden;
};

/// What one contender of a class gets.
struct ContenderShare {
    double idle_share = 0.5;  ///< F: of the air as it hears it
    double use = 0;           ///< of time, for what it sends, its answers and the spaces before
    double collision = 0;     ///< chance that a try fails for another's
    double attempt = 0;       ///< chance to begin in an idle slot
    double txops_per_s = 0;   ///< that succeed
    double tries_per_s = 0;
    double most_txops_per_s = 0;    ///< X: what it could get if it always had something
    double needed_txops_per_s = 0;  ///< with full aggregates; 0: it asks for nothing
    double delivered = 1;           ///< share of what is asked
    double mpdus = 1;               ///< mean in a TXOP
    bool saturated = false;
    /// Share of time in use as it hears it, its own sending counted: PPDUs, answers and the short spaces
    /// between, without the idle spaces before them.
    double heard_use = 0;
    double full_use = 0;  ///< of time, for the same with full aggregates
    /// How much more of the same it could carry while the others ask for what they do: 0.5 is half as much
    /// again; negative in overload. Held by the opportunities that it can get and by the air that is left.
    double headroom() const {
        if (needed_txops_per_s <= 0) return 1e9;
        return std::min(most_txops_per_s / needed_txops_per_s, (idle_share + use) / full_use) - 1;
    }
};

struct ContentionResult {
    std::vector<ContenderShare> of;  ///< as the contenders
    int sweeps = 0;
    double unrest = 0;  ///< largest relative change of an idle share in the last sweep
};

struct SweepLimits {
    int most = 600, most_starved = 1500;  ///< the second where somebody starves
    double unrest = 1e-6;                 ///< done below this
};

/// `before`: a result to begin from, of as many contenders; empty: from nothing. Throws Cancelled.
ContentionResult solve(const Contention&, const ContentionResult& before = {}, const SweepLimits& = {},
                       const CancelToken& = {});

}  // namespace yemvo
