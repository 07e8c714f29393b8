// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/said.h"

#include <ostream>

#include "base/number_text.h"
#include "base/utf8.h"

namespace yemvo {

Said Said::sentence(const char* pattern, std::vector<Said> values) {
    Said s(Kind::sentence, pattern);
    s.values_ = std::move(values);
    return s;
}

Said Said::counted(const char* one, const char* many, long long n, std::vector<Said> values) {
    Said s = sentence(one, std::move(values));
    s.pattern_of_many_ = many;
    s.number_ = static_cast<double>(n);
    return s;
}

Said Said::figure(double value, int decimals) {
    Said s(Kind::number, {});
    s.number_ = value;
    s.decimals_ = decimals;
    return s;
}

Said Said::length(double length_m, LengthUnits units, int decimals) {
    Said s = figure(length_m, decimals);
    s.kind_ = Kind::length;
    s.units_ = units;
    return s;
}

Said Said::area(double area_m2, LengthUnits units) {
    Said s = length(area_m2, units, 0);
    s.kind_ = Kind::area;
    return s;
}

Said Said::joined(const char* between, std::vector<Said> parts) {
    Said s(Kind::joined, between);
    s.values_ = std::move(parts);
    return s;
}

std::string filled(std::string_view pattern, const std::vector<std::string>& values,
                   const std::string& count) {
    std::string out;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        if (pattern[i] != '%' || i + 1 == pattern.size()) {
            out += pattern[i];
            continue;
        }
        const char next = pattern[i + 1];
        const auto index = static_cast<std::size_t>(next - '1');
        if (next == 'n')
            out += count;
        else if (next >= '1' && next <= '9' && index < values.size())
            out += values[index];
        else {
            out += '%';
            continue;
        }
        ++i;
    }
    return out;
}

std::string Said::english() const {
    switch (kind_) {
        case Kind::verbatim:
            return pattern_;
        case Kind::number:
            return format_number(number_, decimals_);
        case Kind::length:
            return format_length(number_, units_, true, decimals_);
        case Kind::area:
            return format_area(number_, units_, decimals_);
        case Kind::sentence:
        case Kind::first:
        case Kind::joined:
            break;
    }
    std::vector<std::string> values;
    for (const Said& v : values_) values.push_back(v.english());
    if (kind_ == Kind::sentence)
        return filled(counts() && number_ != 1 ? pattern_of_many_ : pattern_, values,
                      format_number(number_, 0));
    std::string out;
    for (const std::string& v : values) out += (out.empty() || v.empty() ? "" : pattern_) + v;
    if (kind_ == Kind::first && !out.empty() && out[0] >= 'a' && out[0] <= 'z')
        out[0] = static_cast<char>(out[0] - 'a' + 'A');
    return out;
}

Said said_first(Said said) {
    Said s(Said::Kind::first, {});
    s.values_.push_back(std::move(said));
    return s;
}

Said said_shortened(const Said& said, std::size_t most) {
    Said s = said;
    if (s.kind_ == Said::Kind::verbatim) s.pattern_ = shortened(s.pattern_, most);
    for (Said& v : s.values_) v = said_shortened(v, most);
    return s;
}

std::ostream& operator<<(std::ostream& out, const Said& said) { return out << said.english(); }

}  // namespace yemvo
