// SPDX-License-Identifier: GPL-3.0-or-later
// How often stations try to send, by the backoff of IEEE 802.11.
// Source: G. Bianchi, Performance Analysis of the IEEE 802.11 Distributed Coordination Function, IEEE JSAC
// 18(3), 2000. Access categories: IEEE 802.11-2020 table 9-155 (defaults of the EDCA Parameter Set).
#pragma once

namespace yemvo {

enum class AccessCategory { best_effort, voice };

/// Contention window of the first try and how often it doubles.
struct Backoff {
    double window = 16;  ///< slots, CWmin + 1
    int doublings = 6;
};
Backoff backoff(AccessCategory);
/// Slots beyond SIFS that the channel must have been idle, AIFSN.
int aifs_slots(AccessCategory);

/// The chance that a station with something to send begins in a slot, where a try fails with chance p
/// [0, 1].
double attempt_chance(double p, const Backoff&);

/// The same for n >= 1 equal stations that all hear each other and always have something to send, and the
/// chance that one's try collides.
struct SaturatedAttempts {
    double attempt = 0, collision = 0;
};
SaturatedAttempts saturated_attempts(double n, const Backoff&);

/// Share of time that carries payload with n such stations: Bianchi's S.
struct SaturatedTimes {
    double slot_us, success_us, collision_us, payload_us;
};
double saturated_share(double n, const Backoff&, const SaturatedTimes&);

}  // namespace yemvo
