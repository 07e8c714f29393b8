// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/dxf_groups.h"

#include <charconv>
#include <cmath>
#include <cstring>
#include <limits>

#include "base/error.h"

namespace yemvo {
namespace {

constexpr std::string_view binary_mark = " Binary DXF\r\n\x1a";

std::string_view trimmed(std::string_view s) {
    const auto blank = [](char c) { return c == ' ' || c == '\t' || c == '\r'; };
    while (!s.empty() && blank(s.front())) s.remove_prefix(1);
    while (!s.empty() && blank(s.back())) s.remove_suffix(1);
    return s;
}

enum class Holds { text, real, int16, int32, int64, boolean, chunk };

/// Value types by group code, from the reference's table.
Holds holds(int code) {
    const auto in = [&](int low, int high) { return code >= low && code <= high; };
    if (in(10, 59) || in(110, 149) || in(210, 239) || in(460, 469) || in(1010, 1059)) return Holds::real;
    if (in(60, 79) || in(170, 179) || in(270, 289) || in(370, 389) || in(400, 409) || in(1060, 1070))
        return Holds::int16;
    if (in(90, 99) || in(420, 429) || in(440, 459) || code == 1071) return Holds::int32;
    if (in(160, 169)) return Holds::int64;
    if (in(290, 299)) return Holds::boolean;
    if (in(310, 319) || code == 1004) return Holds::chunk;
    return Holds::text;
}

}  // namespace

double dxf_number(std::string_view v) {
    double value = 0;
    if (!v.empty() && v.front() == '+') v.remove_prefix(1);
    const auto [end, fault] = std::from_chars(v.data(), v.data() + v.size(), value);
    if (fault != std::errc() || end != v.data() + v.size() || !std::isfinite(value))
        return std::numeric_limits<double>::quiet_NaN();
    return value;
}

long dxf_integer(std::string_view v, long otherwise) {
    long value = 0;
    if (!v.empty() && v.front() == '+') v.remove_prefix(1);
    const auto [end, fault] = std::from_chars(v.data(), v.data() + v.size(), value);
    return fault == std::errc() && end != v.data() ? value : otherwise;
}

DxfGroups::DxfGroups(std::string_view file) : file_(file) {
    const auto mark = file.substr(0, 64).find(binary_mark);
    if (mark != std::string_view::npos) {
        binary_ = true;
        at_ = mark + binary_mark.size() + 1;  // a zero ends it
        // the first group is 0 SECTION: in old files its code takes one byte, else two
        wide_codes_ = at_ + 1 < file.size() && file[at_ + 1] == 0;
    } else if (file.starts_with("\xef\xbb\xbf")) {
        at_ = 3;
    }
}

Said DxfGroups::place() const { return say(binary_ ? mark("byte %1") : mark("line %1"), group_at_); }

bool DxfGroups::next(DxfGroup& group) { return binary_ ? next_binary(group) : next_text(group); }

std::string_view DxfGroups::line() {
    const std::size_t end = std::min(file_.find('\n', at_), file_.size());
    std::string_view text = file_.substr(at_, end - at_);
    // a lone carriage return parts lines too
    if (const auto cr = text.find('\r'); cr != std::string_view::npos && cr + 1 < text.size()) {
        text = text.substr(0, cr);
        at_ += cr + 1;
    } else {
        at_ = std::min(end + 1, file_.size());
    }
    ++line_;
    return trimmed(text);
}

bool DxfGroups::next_text(DxfGroup& group) {
    do {
        if (at_ >= file_.size()) return false;
        const std::string_view code = line();
        group_at_ = line_;
        if (code.empty() && at_ >= file_.size()) return false;
        const auto [end, fault] = std::from_chars(code.data(), code.data() + code.size(), group.code);
        if (fault != std::errc() || end != code.data() + code.size() || group.code < -5 || group.code > 1071)
            throw Error(say("'%1' is no group code", std::string(code.substr(0, 40))), place());
        if (at_ >= file_.size()) throw Error(say("the file ends within a group"), place());
        group.value = line();
    } while (group.code == 999);  // a comment
    return true;
}

template <class T>
T DxfGroups::little_endian() {
    if (file_.size() - at_ < sizeof(T)) throw Error(say("the file ends within a group"), place());
    T value;
    std::memcpy(&value, file_.data() + at_, sizeof(T));
    at_ += sizeof(T);
    return value;
}

bool DxfGroups::next_binary(DxfGroup& group) {
    if (at_ >= file_.size()) return false;
    group_at_ = at_;
    if (wide_codes_) {
        group.code = little_endian<std::int16_t>();
    } else {
        group.code = little_endian<std::uint8_t>();
        if (group.code == 255) group.code = little_endian<std::int16_t>();
    }
    if (group.code < -5 || group.code > 1071) throw Error(say("%1 is no group code", group.code), place());
    switch (holds(group.code)) {
        case Holds::text: {
            const auto end = file_.find('\0', at_);
            if (end == std::string_view::npos) throw Error(say("the file ends within a group"), place());
            group.value = trimmed(file_.substr(at_, end - at_));
            at_ = end + 1;
            return true;
        }
        case Holds::chunk: {
            const std::size_t size = little_endian<std::uint8_t>();
            if (file_.size() - at_ < size) throw Error(say("the file ends within a group"), place());
            group.value = file_.substr(at_, size);
            at_ += size;
            return true;
        }
        case Holds::real: {
            char text[40];
            const auto written = std::to_chars(text, text + sizeof text, little_endian<double>());
            number_.assign(text, written.ptr);
            break;
        }
        case Holds::int16:
            number_ = std::to_string(little_endian<std::int16_t>());
            break;
        case Holds::int32:
            number_ = std::to_string(little_endian<std::int32_t>());
            break;
        case Holds::int64:
            number_ = std::to_string(little_endian<std::int64_t>());
            break;
        case Holds::boolean:
            number_ = std::to_string(little_endian<std::uint8_t>());
            break;
    }
    group.value = number_;
    return true;
}

}  // namespace yemvo
