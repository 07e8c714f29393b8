// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/explain.h"

#include <array>

#include "antenna/gain_table.h"
#include "project/working_radio.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

TermKind term_kind(CrossingKind kind) {
    switch (kind) {
        case CrossingKind::wall:
            return TermKind::wall;
        case CrossingKind::opening:
            return TermKind::opening;
        case CrossingKind::ceiling:
            return TermKind::ceiling;
        case CrossingKind::ramp:
            return TermKind::ramp;
        case CrossingKind::obstacle:
            return TermKind::obstacle;
        case CrossingKind::slab:
            break;
    }
    return TermKind::slab;
}

Said crossing_name(const Project& project, const Scene& scene, const Crossing& c, BandId band) {
    const std::string& type = wall_type(project, scene.type_of(c.row, band)).name;
    if (c.kind != CrossingKind::slab) return type;
    return say("%1 under %2", type, floor_title(project, *find_floor(project, c.floor)));
}

}  // namespace

std::string_view term_kind_name(TermKind kind) {
    static constexpr std::array<std::string_view, 11> names{"power", "cable",    "antenna", "free_space",
                                                            "wall",  "opening",  "slab",    "ceiling",
                                                            "ramp",  "obstacle", "overlay"};
    return names[static_cast<std::size_t>(kind)];
}

double client_noise_dbm(const Project& project, const Channel& channel) {
    return noise_dbm(channel.width_mhz, project.settings.client_noise_figure_db);
}

LinkExplanation explain(const Project& project, const Scene& scene, const Floor& floor, const AccessPoint& ap,
                        std::size_t index, Point3 receiver) {
    const Radio& radio = ap.radios.at(index);
    const WorkingRadio working = working_radio(project, ap, index);
    const Point3 source = antenna_place(scene, floor, ap), way = receiver - source;
    const Orientation orientation(
        body_turn(working.antenna.frame(), ap.mount, azimuth_deg(scene, floor, ap), ap.downtilt_deg));

    LinkExplanation link;
    link.access_point = ap.id;
    link.number = ap.number;
    link.radio = index;
    link.channel = radio.channel;
    link.primary = radio.primary;
    link.distance_m = length(way);
    link.terms.push_back({TermKind::power, say("Conducted power"), working.power_dbm});
    if (working.external && working.cable_loss_db != 0)
        link.terms.push_back({TermKind::cable, say("Cable to the antenna"), -working.cable_loss_db});
    link.terms.push_back({TermKind::antenna, say("Antenna gain, this direction"),
                          gain_dbi(working.antenna, orientation, way)});
    link.terms.push_back({TermKind::free_space, say("Free-space loss"),
                          -free_space_loss_db(centre_mhz(radio.channel), link.distance_m)});
    link.source = source;
    link.receiver = receiver;
    const auto crossings = trace(scene, source, receiver);
    link.deviation_db = deviation_db(scene, crossings, radio.channel.band);
    for (const Crossing& c : crossings)
        link.terms.push_back({term_kind(c.kind), crossing_name(project, scene, c, radio.channel.band),
                              -loss_db(scene, c, radio.channel.band), c.share, c.angle_deg(), c.length_m});
    for (const LinkTerm& term : link.terms) link.received_dbm += term.db;
    link.noise_dbm = client_noise_dbm(project, radio.channel);
    return link;
}

LinkExplanation with_overlay(LinkExplanation link, const LossOverlay& overlay) {
    const double loss_db = overlay.loss_db(link.channel.band, link.source, link.receiver);
    link.terms.push_back({TermKind::overlay, overlay.name(), -loss_db});
    link.received_dbm -= loss_db;
    return link;
}

}  // namespace yemvo
