// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/air_of_site.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

/// Each packet of other people is taken to hold the air so long: nobody knows what they send.
constexpr double neighbour_packet_s = 1e-3;
/// Fewer than this share of a group and it counts as not hearing, or not heard.
constexpr double least_share = 0.05;

std::uint64_t key_of(const FrameForm& f) {
    return ContentKey()
        .add(static_cast<int>(f.standard))
        .add(f.width_mhz)
        .add(f.streams)
        .add(f.mcs)
        .add(f.guard_us)
        .value();
}

}  // namespace

double retry_share(double margin_db) { return 0.1 * std::pow(10, -std::max(margin_db, 0.0) / 5); }

AirOfSite::AirOfSite(const Project& project, const std::vector<AirRadio>& radios, const LinkRates& rates,
                     std::span<const std::shared_ptr<const HeardFloor>> floors,
                     std::span<const Joined> joined, std::span<const std::vector<PlaceAsk>> asks,
                     const Neighbours& neighbours)
    : project_(project),
      radios_(radios),
      rates_(rates),
      floors_(floors),
      joined_(joined),
      asks_(asks),
      neighbours_(neighbours),
      met_(radios.size()),
      down_(radios.size()),
      voice_down_(radios.size()),
      groups_of_(radios.size()),
      client_groups_(joined.size(), {-1, -1}),
      full_share_(radios.size(), 1),
      fall_back_mhz_(radios.size(), 20),
      shares_with_(radios.size(), 0),
      queues_(radios.size()),
      client_queues_(joined.size()) {
    relate_channels();
    meet_neighbours();
    gather();
    find_pairs();
    find_neighbours();
    add_queues();
    for (std::size_t r = 0; r < radios.size(); ++r) hear_inside(r);
    hear_between();
    add_neighbours();
}

void AirOfSite::relate_channels() {
    std::vector<std::size_t> first;  // a radio of each channel
    for (std::size_t i = 0; i < radios_.size(); ++i) {
        const auto same = [&](std::size_t j) {
            return radios_[j].channel == radios_[i].channel && radios_[j].primary == radios_[i].primary;
        };
        const auto at = std::find_if(first.begin(), first.end(), same);
        channel_.push_back(static_cast<std::size_t>(at - first.begin()));
        if (at == first.end()) first.push_back(i);
    }
    channels_ = first.size();
    relations_.resize(channels_ * channels_);
    for (std::size_t a = 0; a < channels_; ++a)
        for (std::size_t b = 0; b < channels_; ++b) {
            const AirRadio &own = radios_[first[a]], &other = radios_[first[b]];
            relations_[a * channels_ + b] = relation(own.channel, own.primary, other.channel, other.primary);
        }
}

void AirOfSite::meet_neighbours() {
    if (neighbours_.radios.empty()) return;
    for (const auto& floor : floors_) {
        auto& levels = neighbour_levels_.emplace_back();
        for (const NeighbourRadio& n : neighbours_.radios) levels.emplace_back(n, floor->floor);
    }
    std::vector<std::vector<Met>> of_channel(channels_);
    std::vector<char> known(channels_, 0);
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        if (radios_[r].channel_open) continue;
        std::vector<Met>& met = of_channel[channel_[r]];
        if (!known[channel_[r]]) {
            known[channel_[r]] = 1;
            for (std::uint32_t n = 0; n < neighbours_.radios.size(); ++n) {
                const NeighbourRadio& other = neighbours_.radios[n];
                const ChannelRelation how =
                    relation(radios_[r].channel, radios_[r].primary, other.channel, other.primary);
                if (how != ChannelRelation::apart && other.use > 0) met.push_back({n, how});
            }
        }
        met_[r] = met;
    }
}

void AirOfSite::gather() {
    for (std::size_t k = 0; k < joined_.size(); ++k)
        if (joined_[k].radio >= 0) gather_client(k);
}

SenderGroup& AirOfSite::group(std::size_t radio, bool voice, const RateLadder::Step& step) {
    const std::uint64_t form = key_of(step.form);
    for (std::uint32_t g : groups_of_[radio])
        if (groups_[g].voice == voice && groups_[g].form == form) return groups_[g];
    groups_of_[radio].push_back(static_cast<std::uint32_t>(groups_.size()));
    SenderGroup& made = groups_.emplace_back();
    made.radio = static_cast<std::uint16_t>(radio);
    made.voice = voice;
    made.form = form;
    made.step = &step;
    return made;
}

void AirOfSite::gather_client(std::size_t k) {
    const Joined& j = joined_[k];
    const auto radio = static_cast<std::size_t>(j.radio);
    const HeardFloor& floor = *floors_[j.floor];
    const Traffic& t = asks_[j.floor][j.place_at].each;
    const double dbm = j.cdbm / 100.0 + rates_.gain_db(j.profile);
    const double up_dbm = dbm + rates_.up_shift_db(radio, j.profile);
    const RateLadder::Step* down = rates_.down(radio, j.profile).step(dbm);
    const RateLadder::Step* up = rates_.up(radio, j.profile).step(up_dbm);
    if (!down || !up) return;
    const auto add_down = [&](auto& groups, const Traffic::Queue& q) {
        if (q.per_s <= 0) return;
        DownGroup& g = groups[radio].try_emplace(key_of(down->form), DownGroup{down}).first->second;
        const double per_s = j.weight * q.per_s / (1 - retry_share(dbm - down->received_dbm));
        g.count += j.weight;
        g.per_s += per_s;
        g.bytes_per_s += per_s * q.bytes;
        g.bursts_per_s += per_s * q.bursts_per_s / q.per_s;
    };
    add_down(down_, t.down);
    add_down(voice_down_, t.voice_down);
    const double heard_dbm = project_.settings.heard_dbm;
    const auto add_up = [&](bool voice, const Traffic::Queue& q) {
        if (q.per_s <= 0) return;
        SenderGroup& g = group(radio, voice, *up);
        client_groups_[k][voice] = static_cast<std::int32_t>(&g - groups_.data());
        const double per_s = j.weight * q.per_s / (1 - retry_share(up_dbm - up->received_dbm));
        g.count += j.weight;
        g.per_s += per_s;
        g.bytes_per_s += per_s * q.bytes;
        g.bursts_per_s += per_s * q.bursts_per_s / q.per_s;
        hear_neighbours(g, k);
        for (const HeardLevel& l : floor.of(j.client)) {
            if (l.radio == radio || relation_of(radio, l.radio) == ChannelRelation::apart) continue;
            const double level = l.cdbm / 100.0 + rates_.gain_db(j.profile);
            const double back = level + rates_.up_shift_db(l.radio, j.profile);
            if (std::max(level, back) < heard_dbm) continue;
            SenderGroup::Heard& h = g.others[l.radio];
            if (level >= heard_dbm) h.hear += j.weight;
            if (back >= heard_dbm) h.heard_by += j.weight;
        }
    };
    add_up(false, t.up);
    add_up(true, t.voice_up);
}

void AirOfSite::hear_neighbours(SenderGroup& group, std::size_t joined) {
    const Joined& j = joined_[joined];
    const StandingClient& client = floors_[j.floor]->standing.clients[j.client];
    for (const Met& m : met_[static_cast<std::size_t>(j.radio)]) {
        if (m.relation != ChannelRelation::shared) continue;
        const auto dbm = neighbour_levels_[j.floor][m.neighbour].at(client.place);
        if (dbm && *dbm + rates_.gain_db(j.profile) >= project_.settings.heard_dbm)
            group.neighbours[m.neighbour] += double{j.weight};
    }
}

/// Below access points, as they hear each other.
void AirOfSite::find_neighbours() {
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        if (met_[r].empty()) continue;
        const AccessPoint* ap = find_access_point(project_, radios_[r].floor, radios_[r].access_point);
        const auto floor =
            std::ranges::find(floors_, radios_[r].floor, [](const auto& heard) { return heard->floor; });
        if (!ap || floor == floors_.end()) continue;
        const auto& levels = neighbour_levels_[static_cast<std::size_t>(floor - floors_.begin())];
        for (const Met& m : met_[r]) {
            const auto dbm = levels[m.neighbour].at(ap->position);
            if (!dbm || *dbm < project_.settings.heard_dbm) continue;
            const NeighbourRadio& other = neighbours_.radios[m.neighbour];
            if (m.relation == ChannelRelation::beside) {
                narrow(r, full_width_share(other.use, other.use / neighbour_packet_s), other.channel);
                continue;
            }
            neighbour_pairs_.push_back({static_cast<std::uint16_t>(r), m.neighbour});
            ++shares_with_[r];
        }
    }
}

/// One beside the primary leaves the whole width for so much of the time only.
void AirOfSite::narrow(std::size_t listener, double share, const Channel& other) {
    if (share >= full_share_[listener]) return;
    full_share_[listener] = share;
    fall_back_mhz_[listener] = width_left_mhz(radios_[listener].channel, radios_[listener].primary, other);
}

/// They send what they were heard to send, whatever the plan does.
void AirOfSite::add_neighbours() {
    std::vector<std::int32_t> contender(neighbours_.radios.size(), -1);
    const auto of = [&](std::uint32_t n) {
        if (contender[n] >= 0) return static_cast<std::uint32_t>(contender[n]);
        const NeighbourRadio& r = neighbours_.radios[n];
        Contender c;
        c.backoff = backoff(AccessCategory::best_effort);
        c.space_s = (sifs_us(r.channel.band) + aifs_slots(AccessCategory::best_effort) * slot_us) * 1e-6;
        c.fixed_share = std::min(r.use, 0.99);
        c.fixed_per_s = r.use / neighbour_packet_s;
        const NeighbourRadio::Reading& first = r.readings.front();
        contender[n] = add(std::move(c), ContentKey()
                                             .add(std::uint64_t{first.place.value})
                                             .add(static_cast<std::uint64_t>(first.index))
                                             .add(5)
                                             .value());
        return static_cast<std::uint32_t>(contender[n]);
    };
    // they wait for the plan as it does for them, so that what both send adds up
    const auto both_hear = [&](std::int32_t own, std::uint32_t other, double share) {
        const auto k = static_cast<std::uint32_t>(own);
        c_.hearing.push_back({k, other, share});
        c_.hearing.push_back({other, k, share});
    };
    for (const NeighbourPair& p : neighbour_pairs_)
        for (std::int32_t k : sending(p.listener)) both_hear(k, of(p.heard), 1);
    for (std::uint32_t g = 0; g < groups_.size(); ++g)
        for (const auto& [n, count] : groups_[g].neighbours)
            if (const double share = count / groups_[g].count; share >= least_share)
                both_hear(group_contender_[g], of(n), std::min(share, 1.0));
}

void AirOfSite::find_pairs() {
    const double heard_dbm = project_.settings.heard_dbm;
    for (const auto& floor : floors_)
        for (const HeardFloor::Pair& p : floor->between) {
            const ChannelRelation how = relation_of(p.listener, p.heard.radio);
            if (how == ChannelRelation::apart || p.heard.cdbm < 100 * heard_dbm) continue;
            pairs_.push_back({p.listener, p.heard.radio, how});
            if (how == ChannelRelation::shared) ++shares_with_[p.listener];
            if (how != ChannelRelation::beside) continue;
            double asked = 0, per_s = 0;
            for (const auto& [form, g] : down_[p.heard.radio]) {
                const FrameCost c = cost(p.heard.radio, *g.step, g.bytes_per_s / g.per_s, false);
                asked += g.per_s / c.most * c.txop_us(c.most) * 1e-6;
                per_s += g.per_s;
            }
            const double share = full_width_share(asked, per_s);
            narrow(p.listener, share, radios_[p.heard.radio].channel);
        }
}

FrameCost AirOfSite::cost(std::size_t radio, const RateLadder::Step& step, double bytes, bool voice) const {
    FrameWish wish;
    wish.form = step.form;
    wish.band = radios_[radio].channel.band;
    wish.msdu_bytes = std::clamp(static_cast<int>(std::lround(bytes)), 40, 2304);
    wish.aggregates = !voice;
    const FrameCost whole = frame_cost(wish);
    if (full_share_[radio] >= 1 || step.form.width_mhz <= fall_back_mhz_[radio]) return whole;
    wish.form.width_mhz = fall_back_mhz_[radio];
    if (!phy_rate_mbps(wish.form.standard, wish.form.width_mhz, wish.form.streams, wish.form.mcs,
                       wish.form.guard_us))
        --wish.form.mcs;
    return mixed(whole, frame_cost(wish), full_share_[radio]);
}

Contender AirOfSite::queue_of(std::size_t radio, bool voice) const {
    const AccessCategory category = voice ? AccessCategory::voice : AccessCategory::best_effort;
    Contender c;
    c.backoff = backoff(category);
    c.space_s = (sifs_us(radios_[radio].channel.band) + aifs_slots(category) * slot_us) * 1e-6;
    return c;
}

std::int32_t AirOfSite::add(Contender c, std::uint64_t identity) {
    c_.contenders.push_back(std::move(c));
    identity_.push_back(identity);
    return static_cast<std::int32_t>(c_.contenders.size() - 1);
}

void AirOfSite::add_beacons(std::size_t radio) {
    const double share = beacon_share(radio);
    if (share <= 0) return;
    Contender c = queue_of(radio, false);
    c.fixed_share = share;
    c.fixed_per_s = 0;
    const AirRadio& r = radios_[radio];
    queues_[radio].beacons = add(c, ContentKey()
                                        .add(std::uint64_t{r.access_point.value})
                                        .add(static_cast<std::uint64_t>(r.radio))
                                        .add(2)
                                        .value());
}

double AirOfSite::beacon_share(std::size_t radio) const {
    const AirRadio& r = radios_[radio];
    const auto share = [&](const Network& n) {
        return yemvo::beacon_share(n.beacon_bytes, basic_rate_in(r.channel.band, n.lowest_rate_mbps), 1, 1,
                                   r.channel.band);
    };
    if (project_.demand.networks->empty()) return share(Network{});
    double sum = 0;
    for (std::size_t n = 0; n < r.carries.size(); ++n)
        if (r.carries[n]) sum += share((*project_.demand.networks)[n]);
    return std::min(sum, 0.95);
}

void AirOfSite::add_queues() {
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        const auto identity = [&](int kind, std::uint64_t form) {
            return ContentKey()
                .add(std::uint64_t{radios_[r].access_point.value})
                .add(static_cast<std::uint64_t>(radios_[r].radio))
                .add(kind)
                .add(form)
                .value();
        };
        const auto add_down = [&](const auto& groups, bool voice) {
            if (groups.empty()) return std::int32_t{-1};
            Contender c = queue_of(r, voice);
            for (const auto& [form, g] : groups) {
                const double count = std::max(g.count, 1.0);  // there is no less than one receiver
                c.to.push_back({g.per_s / count, count, cost(r, *g.step, g.bytes_per_s / g.per_s, voice),
                                g.per_s / g.bursts_per_s});
            }
            return add(std::move(c), identity(voice, 0));
        };
        queues_[r].down = add_down(down_[r], false);
        queues_[r].voice_down = add_down(voice_down_[r], true);
        add_beacons(r);
        for (std::uint32_t g : groups_of_[r]) {
            const SenderGroup& group = groups_[g];
            Contender c = queue_of(r, group.voice);
            c.count = std::max(group.count, 1.0);
            c.to.push_back({group.per_s / c.count, 1,
                            cost(r, *group.step, group.bytes_per_s / group.per_s, group.voice),
                            group.per_s / group.bursts_per_s});
            group_contender_.resize(std::max<std::size_t>(group_contender_.size(), g + 1), -1);
            group_contender_[g] = add(std::move(c), identity(3 + group.voice, group.form));
        }
    }
    for (std::size_t k = 0; k < joined_.size(); ++k) {
        const auto of = [&](std::int32_t g) {
            return g < 0 ? -1 : group_contender_[static_cast<std::size_t>(g)];
        };
        client_queues_[k] = {of(client_groups_[k][0]), of(client_groups_[k][1])};
    }
}

std::vector<std::int32_t> AirOfSite::sending(std::size_t radio) const {
    std::vector<std::int32_t> all;
    for (std::int32_t k : {queues_[radio].down, queues_[radio].voice_down, queues_[radio].beacons})
        if (k >= 0) all.push_back(k);
    return all;
}

void AirOfSite::hear_inside(std::size_t radio) {
    std::vector<std::int32_t> all = sending(radio);
    for (std::uint32_t g : groups_of_[radio]) all.push_back(group_contender_[g]);
    for (std::int32_t a : all)
        for (std::int32_t b : all)
            if (a != b)
                c_.hearing.push_back({static_cast<std::uint32_t>(a), static_cast<std::uint32_t>(b), 1});
}

void AirOfSite::hear_between() {
    const auto hears = [&](std::int32_t listener, std::int32_t heard, double share) {
        if (share >= least_share)
            c_.hearing.push_back({static_cast<std::uint32_t>(listener), static_cast<std::uint32_t>(heard),
                                  std::min(share, 1.0)});
    };
    // beside its primary a wide radio hears nobody, and is heard while it goes out whole
    const auto part = [&](std::size_t listener, std::size_t heard) {
        if (relation_of(listener, heard) == ChannelRelation::beside) return 0.0;
        return relation_of(heard, listener) == ChannelRelation::beside ? full_share_[heard] : 1.0;
    };
    for (const Pair& p : pairs_)
        for (std::int32_t a : sending(p.listener))
            for (std::int32_t b : sending(p.heard)) hears(a, b, part(p.listener, p.heard));
    for (std::uint32_t g = 0; g < groups_.size(); ++g) {
        const SenderGroup& own = groups_[g];
        for (const auto& [other, h] : own.others) {
            const double hear = part(own.radio, other) * h.hear / own.count;
            const double heard = part(other, own.radio) * h.heard_by / own.count;
            for (std::int32_t k : sending(other)) {
                hears(group_contender_[g], k, hear);
                hears(k, group_contender_[g], heard);
            }
            // another radio's clients are taken to stand round it
            for (std::uint32_t f : groups_of_[other]) {
                const auto back = groups_[f].others.find(own.radio);
                if (back == groups_[f].others.end()) continue;
                const double both =
                    std::min(h.heard_by / own.count, back->second.heard_by / groups_[f].count);
                hears(group_contender_[g], group_contender_[f], part(own.radio, other) * both);
            }
        }
    }
}

}  // namespace yemvo
