// SPDX-License-Identifier: GPL-3.0-or-later
// Frames with flipped, cut, copied and inserted bytes against the reader of captures.
//   fuzz_air FOLDER COUNT SEED
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <iterator>
#include <random>

#include "capture/capture.h"

using namespace yemvo;

namespace {

using Frame = std::vector<std::uint8_t>;

/// The frames of a pcap file with little-endian headers.
std::vector<Frame> frames_of(const std::string& file) {
    std::ifstream in(file, std::ios::binary);
    const std::vector<char> all{std::istreambuf_iterator<char>(in), {}};
    std::vector<Frame> out;
    for (std::size_t at = 24; at + 16 <= all.size();) {
        std::size_t length = 0;
        for (int i = 3; i >= 0; --i)
            length = length << 8 | static_cast<std::uint8_t>(all[at + 8 + static_cast<std::size_t>(i)]);
        at += 16;
        if (at + length > all.size()) break;
        out.emplace_back(all.begin() + static_cast<std::ptrdiff_t>(at),
                         all.begin() + static_cast<std::ptrdiff_t>(at + length));
        at += length;
    }
    return out;
}

void mutate(Frame& f, std::mt19937& random) {
    const auto any = [&](std::size_t below) { return below == 0 ? 0 : random() % below; };
    for (std::size_t k = 0, count = 1 + any(6); k < count && !f.empty(); ++k) {
        const auto at = static_cast<std::ptrdiff_t>(any(f.size()));
        switch (random() % 6) {
            case 0:
                f[static_cast<std::size_t>(at)] ^= static_cast<std::uint8_t>(1u << any(8));
                break;
            case 1:
                f[static_cast<std::size_t>(at)] = static_cast<std::uint8_t>(random());
                break;
            case 2:
                f.resize(static_cast<std::size_t>(at));
                break;
            case 3:
                f.erase(f.begin() + at,
                        f.begin() + at +
                            static_cast<std::ptrdiff_t>(any(f.size() - static_cast<std::size_t>(at))));
                break;
            case 4:
                f.insert(f.begin() + at, any(20), static_cast<std::uint8_t>(random()));
                break;
            default: {
                const Frame part(f.begin() + at, f.begin() + at +
                                                     static_cast<std::ptrdiff_t>(
                                                         any(f.size() - static_cast<std::size_t>(at))));
                f.insert(f.begin() + static_cast<std::ptrdiff_t>(any(f.size())), part.begin(), part.end());
            }
        }
    }
}

}  // namespace

int main(int argc, char** argv) {
    if (argc != 4) return 2;
    std::vector<Frame> seeds = frames_of(std::string(argv[1]) + "/pier.pcap");
    for (Frame& f : frames_of(std::string(argv[1]) + "/beacons.pcap")) seeds.push_back(std::move(f));
    if (seeds.empty()) return 2;
    std::mt19937 random(static_cast<unsigned>(std::atol(argv[3])));
    const long count = std::atol(argv[2]);
    AirListener listener;
    for (long i = 0; i < count; ++i) {
        Frame f = seeds[random() % seeds.size()];
        mutate(f, random);
        constexpr int links[] = {link_radiotap, link_radiotap,           link_radiotap,
                                 link_bare,     link_packet_information, 1};
        listener.hear(links[random() % 6], f, static_cast<double>(i));
    }
    const HeardAir air = listener.result();
    std::printf("%ld frames, %zu networks, %zu clients, %zu warnings\n", count, air.networks.size(),
                air.clients.size(), air.warnings.size());
    return 0;
}
