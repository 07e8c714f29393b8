// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <nlohmann/json.hpp>

#include "airtime/scenario.h"
#include "base/number_text.h"

namespace yemvo {
namespace {

using Json = nlohmann::json;

constexpr std::size_t most_bss = 1000, most_clients = 5000, most_flows = 20'000;

/// A value with its place, so that what is wrong with it can be told.
class Entry {
public:
    Entry(const Json& value, std::string place) : value_(value), place_(std::move(place)) {}

    [[noreturn]] void wrong(const Said& what) const { throw Error(what, say("%1", place_)); }
    bool has(const char* key) const {
        return value_.is_object() && value_.contains(key) && !value_[key].is_null();
    }
    Entry at(const char* key) const {
        if (!value_.is_object()) wrong(say("an object is needed here"));
        if (!has(key)) wrong(say("\"%1\" is missing", std::string(key)));
        return {value_[key], place_ + "." + key};
    }
    std::vector<Entry> list(std::size_t most) const {
        if (!value_.is_array()) wrong(say("a list is needed here"));
        if (value_.size() > most) wrong(say("at most %1 are possible", static_cast<int>(most)));
        std::vector<Entry> entries;
        for (std::size_t i = 0; i < value_.size(); ++i)
            entries.emplace_back(value_[i], place_ + "[" + std::to_string(i) + "]");
        return entries;
    }
    double number(double low, double high) const {
        const double n = value_.is_number() ? value_.get<double>() : std::nan("");
        if (!(n >= low && n <= high))
            wrong(say("a number from %1 to %2 is needed here", plain_number(low, 1), plain_number(high, 1)));
        return n;
    }
    int whole(int low, int high) const {
        if (!value_.is_number_integer()) wrong(say("a whole number is needed here"));
        return static_cast<int>(number(low, high));
    }
    bool yes() const {
        if (!value_.is_boolean()) wrong(say("true or false is needed here"));
        return value_.get<bool>();
    }
    bool is_text() const { return value_.is_string(); }
    std::string text() const {
        if (!is_text()) wrong(say("a text is needed here"));
        return value_.get<std::string>();
    }

private:
    const Json& value_;
    std::string place_;
};

Backoff read_backoff(const Entry& entry) {
    const int least = entry.at("cwmin").whole(0, 32767), most = entry.at("cwmax").whole(least, 32767);
    Backoff b{least + 1.0, 0};
    for (int window = least; window < most; window = 2 * window + 1) ++b.doublings;
    return b;
}

void read_edca(const Entry& entry, AirScenario& s) {
    const auto one = [&](const char* key, Backoff& backoff, int& aifs) {
        if (!entry.has(key)) return;
        const Entry row = entry.at(key);
        backoff = read_backoff(row);
        aifs = row.at("aifsn").whole(1, 15);
        if (row.has("txop_ms") && row.at("txop_ms").number(0, 10) > 0)
            row.wrong(say("a TXOP limit other than 0, one PPDU, is not modelled"));
    };
    one("BE", s.best_effort, s.best_effort_aifs);
    one("VO", s.voice, s.voice_aifs);
}

ScenarioBss read_bss(const Entry& entry, BandId band) {
    ScenarioBss b;
    b.channel = {band, entry.at("channel_number").whole(1, 233), entry.at("width_mhz").whole(20, 320)};
    if (!is_valid(b.channel)) entry.wrong(say("the band has no such channel"));
    const auto inside = primaries(b.channel);
    const int at = entry.has("primary20_index")
                       ? entry.at("primary20_index").whole(0, static_cast<int>(inside.size()) - 1)
                       : 0;
    b.primary = inside[static_cast<std::size_t>(at)];
    return b;
}

ScenarioFlow read_flow(const Entry& entry, int clients) {
    ScenarioFlow f;
    const std::string direction = entry.at("direction").text();
    if (direction != "down" && direction != "up") entry.wrong(say("\"direction\" is \"down\" or \"up\""));
    f.down = direction == "down";
    f.client = entry.at("client").whole(0, clients - 1);
    const std::string category = entry.has("ac") ? entry.at("ac").text() : "BE";
    if (category != "BE" && category != "VO") entry.wrong(say("\"ac\" is \"BE\" or \"VO\""));
    f.category = category == "VO" ? AccessCategory::voice : AccessCategory::best_effort;
    f.msdu_bytes = entry.at("msdu_bytes").whole(1, 2304);
    const Entry load = entry.at("load_mbps");
    f.saturated = load.is_text() && load.text() == "saturated";
    if (!f.saturated) f.load_mbps = load.number(0, 1e5);
    return f;
}

void read_hearing(const Entry& entry, AirScenario& s) {
    if (entry.is_text()) return;
    const int bss = static_cast<int>(s.bss.size()), clients = static_cast<int>(s.clients.size());
    s.hearing.emplace();
    const auto pairs = [&](const char* key, int most, const auto& found) {
        for (const Entry& pair : entry.at(key).list(1'000'000)) {
            const auto both = pair.list(2);
            if (both.size() != 2) pair.wrong(say("two numbers are needed here"));
            found(both[0].whole(0, most - 1), both[1].whole(0, most - 1));
        }
    };
    if (entry.has("node_pairs")) {
        pairs("node_pairs", bss + clients, [&](int a, int b) { s.hearing->emplace_back(a, b); });
        return;
    }
    std::vector<std::vector<int>> nodes(s.bss.size());
    for (int b = 0; b < bss; ++b) nodes[static_cast<std::size_t>(b)].push_back(b);
    for (int c = 0; c < clients; ++c)
        nodes[static_cast<std::size_t>(s.clients[static_cast<std::size_t>(c)].bss)].push_back(bss + c);
    const auto join = [&](int a, int b) {
        for (int x : nodes[static_cast<std::size_t>(a)])
            for (int y : nodes[static_cast<std::size_t>(b)]) s.hearing->emplace_back(x, y);
    };
    for (int b = 0; b < bss; ++b) join(b, b);
    pairs("bss_pairs", bss, join);
}

AirScenario read_one(const Entry& entry) {
    AirScenario s;
    s.id = entry.has("id") ? entry.at("id").text() : "";
    s.description = entry.has("description") ? entry.at("description").text() : "";
    const Entry p = entry.at("parameters");
    const double ghz = p.at("band_ghz").number(1, 10);
    s.band = ghz < 3 ? band_24 : ghz < 5.9 ? band_5 : band_6;
    const std::string named = p.at("standard").text();
    const std::string prefix = "802.11";
    const auto standard =
        named.starts_with(prefix)
            ? find_standard(named.substr(prefix.size(), named[prefix.size()] == 'n' ? 1 : 2))
            : std::nullopt;
    if (!standard) p.at("standard").wrong(say("use 802.11n, 802.11ac, 802.11ax or 802.11be"));
    s.standard = *standard;
    s.guard_us = p.at("gi_us").number(0.4, 3.2);
    for (const Entry& b : p.at("bss").list(most_bss)) s.bss.push_back(read_bss(b, s.band));
    if (s.bss.empty()) p.at("bss").wrong(say("at least one is needed"));
    for (const Entry& c : p.at("clients").list(most_clients))
        s.clients.push_back({c.at("bss").whole(0, static_cast<int>(s.bss.size()) - 1),
                             c.at("mcs").whole(0, 13), c.at("streams").whole(1, 8)});
    for (const Entry& f : p.at("flows").list(most_flows))
        s.flows.push_back(read_flow(f, static_cast<int>(s.clients.size())));
    if (p.has("who_hears_whom")) read_hearing(p.at("who_hears_whom"), s);
    if (p.has("max_ampdu_bytes")) s.longest_ampdu_bytes = p.at("max_ampdu_bytes").at("BE").number(0, 2e7);
    if (p.has("block_ack_window")) s.window = p.at("block_ack_window").whole(1, 1024);
    if (p.has("rts_cts")) s.protects = p.at("rts_cts").yes();
    if (p.has("queue_packets_per_ac")) s.queue_msdus = p.at("queue_packets_per_ac").number(1, 1e6);
    if (p.has("edca")) read_edca(p.at("edca"), s);
    if (p.has("beacon")) {
        const Entry b = p.at("beacon");
        s.beacon_bytes = b.at("bytes").number(1, 2304);
        s.beacon_mbps = b.at("rate_mbps").number(1, 54);
        s.beacon_interval_tu = b.at("interval_tu").number(1, 10'000);
    }
    return s;
}

}  // namespace

std::vector<AirScenario> read_scenarios(std::string_view text) {
    const Json root = Json::parse(text, nullptr, false);
    if (root.is_discarded())
        throw Error(say("this is not JSON"), {}, say("Check the end of the file and its brackets"));
    const Entry whole(root, "scenario");
    std::vector<AirScenario> all;
    if (whole.has("scenarios"))
        for (const Entry& e : whole.at("scenarios").list(10'000)) all.push_back(read_one(e));
    else if (root.is_array())
        for (const Entry& e : whole.list(10'000)) all.push_back(read_one(e));
    else
        all.push_back(read_one(whole));
    return all;
}

}  // namespace yemvo
