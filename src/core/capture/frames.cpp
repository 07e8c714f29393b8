// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture/frames.h"

#include <array>
#include <cstdio>

#include "capture/bytes.h"

namespace yemvo {
namespace {

/// Fields of the receiver's header in the order of their bits: alignment from the header's start, and size.
/// Those behind the signal are not asked for. Source: radiotap.org, the registry of defined fields.
struct ReceiverField {
    std::uint8_t align, size;
};
constexpr std::array<ReceiverField, 6> receiver_fields{{{8, 8}, {1, 1}, {1, 1}, {2, 4}, {1, 2}, {1, 1}}};
enum ReceiverBit { flags_bit = 1, rate_bit = 2, channel_bit = 3, signal_bit = 5 };

/// Where the fields of the first word stand; false where one lies beyond the header.
bool read_receiver_fields(FrameBytes header, std::uint32_t present, std::size_t at, HeardFrame& frame,
                          int& flags) {
    for (std::size_t bit = 0; bit < receiver_fields.size(); ++bit) {
        if (!(present >> bit & 1)) continue;
        const ReceiverField field = receiver_fields[bit];
        at = (at + field.align - 1) / field.align * field.align;
        if (at + field.size > header.size()) return false;
        if (bit == flags_bit) flags = header[at];
        if (bit == rate_bit) frame.rate_mbps = header[at] / 2.0;
        if (bit == channel_bit) frame.mhz = number_at(header, at, 2);
        if (bit == signal_bit) frame.signal_dbm = static_cast<std::int8_t>(header[at]);
        at += field.size;
    }
    return true;
}

/// Takes the receiver's header off; false where there is none. (libtins 4.0 has a reader of it, which misses
/// the signal behind aligned fields and refuses a header whose frame is cut short.)
bool take_radiotap(FrameBytes& bytes, HeardFrame& frame, FrameFault& fault) {
    constexpr int checksum_at_end = 0x10, failed_checksum = 0x40;
    fault = FrameFault::short_header;
    if (bytes.size() < 8 || bytes[0] != 0) return false;
    const std::size_t length = number_at(bytes, 2, 2);
    if (length < 8 || length > bytes.size()) return false;
    const FrameBytes header = bytes.first(length);
    const std::uint32_t present = number_at(header, 4, 4);
    std::size_t at = 8;
    // more words of present fields may follow: the first one has the values of all antennas together
    for (std::uint32_t word = present; word >> 31 & 1; at += 4) {
        if (at + 4 > length) return false;
        word = number_at(header, at, 4);
    }
    int flags = 0;
    if (!read_receiver_fields(header, present, at, frame, flags)) return false;
    if (flags & failed_checksum) {
        fault = FrameFault::bad_checksum;
        return false;
    }
    bytes = bytes.subspan(length);
    if (flags & checksum_at_end) {
        if (bytes.size() < 4) return false;
        bytes = bytes.first(bytes.size() - 4);
    }
    fault = FrameFault::none;
    return true;
}

/// Bytes between the header and the elements.
std::size_t fixed_fields(int subtype) {
    switch (subtype) {
        case 0:  // association request
            return 4;
        case 2:  // reassociation request
            return 10;
        case 4:  // probe request
            return 0;
        default:  // probe response, beacon
            return 12;
    }
}

void read_management(HeardFrame& frame, int subtype, FrameBytes body) {
    switch (subtype) {
        case 0:
        case 2:
            frame.kind = FrameKind::association_request;
            break;
        case 4:
            frame.kind = FrameKind::probe_request;
            break;
        case 5:
            frame.kind = FrameKind::probe_response;
            break;
        case 8:
            frame.kind = FrameKind::beacon;
            break;
        default:
            return;
    }
    const std::size_t fixed = fixed_fields(subtype);
    if (body.size() < fixed) {
        frame.kind = FrameKind::other;
        return;
    }
    if (fixed == 12) {
        frame.interval_tu = static_cast<int>(number_at(body, 8, 2));
        frame.privacy = number_at(body, 10, 2) >> 4 & 1;
    }
    frame.elements = read_elements(body.subspan(fixed));
}

}  // namespace

std::optional<HeardFrame> read_frame(int link_type, FrameBytes bytes, FrameFault& fault) {
    HeardFrame frame;
    fault = FrameFault::none;
    if (link_type == link_radiotap) {
        if (!take_radiotap(bytes, frame, fault)) return std::nullopt;
    } else if (link_type == link_packet_information) {
        const std::size_t length = bytes.size() >= 4 ? number_at(bytes, 2, 2) : 0;
        if (length < 8 || length > bytes.size()) {
            fault = FrameFault::short_header;
            return std::nullopt;
        }
        bytes = bytes.subspan(length);
    } else if (link_type != link_bare) {
        fault = FrameFault::other_link;
        return std::nullopt;
    }
    fault = FrameFault::not_80211;
    if (bytes.size() < 10) return std::nullopt;
    const std::uint32_t control = number_at(bytes, 0, 2);
    if ((control & 3) != 0) return std::nullopt;  // another version
    const int type = static_cast<int>(control >> 2 & 3), subtype = static_cast<int>(control >> 4 & 15);
    frame.bytes = bytes.size();
    frame.to_network = control >> 8 & 1;
    frame.from_network = control >> 9 & 1;
    frame.again = control >> 11 & 1;
    frame.receiver = address_at(bytes, 4);
    fault = FrameFault::none;
    if (type == 1) {  // control frames may end after the first address
        if (bytes.size() >= 16) frame.transmitter = address_at(bytes, 10);
        return frame;
    }
    constexpr std::size_t header = 24;
    if (bytes.size() < header) {
        fault = FrameFault::not_80211;
        return std::nullopt;
    }
    frame.transmitter = address_at(bytes, 10);
    frame.bssid = type == 0                                 ? address_at(bytes, 16)
                  : frame.to_network && !frame.from_network ? frame.receiver
                  : frame.from_network && !frame.to_network ? frame.transmitter
                                                            : address_at(bytes, 16);
    if (type == 2) {
        frame.kind = FrameKind::data;
        return frame;
    }
    if (type != 0) return frame;
    const std::size_t more = control >> 15 & 1 ? 4 : 0;
    if (bytes.size() >= header + more) read_management(frame, subtype, bytes.subspan(header + more));
    return frame;
}

std::string address_text(std::uint64_t address) {
    char text[18];
    std::snprintf(text, sizeof text, "%02x:%02x:%02x:%02x:%02x:%02x",
                  static_cast<unsigned>(address >> 40 & 255), static_cast<unsigned>(address >> 32 & 255),
                  static_cast<unsigned>(address >> 24 & 255), static_cast<unsigned>(address >> 16 & 255),
                  static_cast<unsigned>(address >> 8 & 255), static_cast<unsigned>(address & 255));
    return text;
}

}  // namespace yemvo
