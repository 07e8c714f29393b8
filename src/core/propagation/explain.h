// SPDX-License-Identifier: GPL-3.0-or-later
// A link told term by term.
#pragma once
#include <string>
#include <vector>

#include "propagation/loss_overlay.h"
#include "propagation/trace.h"

namespace yemvo {

enum class TermKind {
    power,
    cable,
    antenna,
    free_space,
    wall,
    opening,
    slab,
    ceiling,
    ramp,
    obstacle,
    overlay
};
/// Of what leaves the antenna, and not of what becomes of it.
constexpr bool is_sent(TermKind k) {
    return k == TermKind::power || k == TermKind::cable || k == TermKind::antenna;
}
/// Of what is met on the way.
constexpr bool is_in_the_way(TermKind k) { return !is_sent(k) && k != TermKind::free_space; }

struct LinkTerm {
    TermKind kind;
    Said name;
    double db;             ///< the power in dBm, then gains positive and losses negative
    double share = 0;      ///< of the way, for what is crossed
    double angle_deg = 0;  ///< to the normal of what is crossed
    double length_m = 0;   ///< obstacles: of the way inside
};

struct LinkExplanation {
    AccessPointId access_point;
    int number = 0;
    std::size_t radio = 0;
    Channel channel;
    int primary = 0;
    double distance_m = 0;
    std::vector<LinkTerm> terms;  ///< add up to received_dbm
    double received_dbm = 0, noise_dbm = 0;
    double deviation_db = 0;  ///< of what stands in the way; 0 on a clear way
    Point3 source, receiver;  ///< in the scene
    double snr_db() const { return received_dbm - noise_dbm; }
};

std::string_view term_kind_name(TermKind);

/// Noise of the project's client over the channel's width [dBm].
double client_noise_dbm(const Project&, const Channel&);

/// The link of one radio to a receiver in the scene. Free space is taken at the channel's own centre
/// frequency, materials at the band's reference frequency.
LinkExplanation explain(const Project&, const Scene&, const Floor&, const AccessPoint&, std::size_t radio,
                        Point3 receiver);

/// The explanation with the overlay's loss as its last term.
LinkExplanation with_overlay(LinkExplanation, const LossOverlay&);

}  // namespace yemvo
