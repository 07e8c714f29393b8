// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/dxf_text.h"

#include <iconv.h>

#include <algorithm>
#include <cctype>
#include <charconv>
#include <cstdint>
#include <optional>

namespace yemvo {
namespace {

void append_utf8(std::string& out, std::uint32_t c) {
    if (c < 0x80) {
        out += static_cast<char>(c);
    } else if (c < 0x800) {
        out += static_cast<char>(0xC0 | (c >> 6));
        out += static_cast<char>(0x80 | (c & 0x3F));
    } else if (c >= 0xD800 && c < 0xE000) {
        out += '?';  // half of a pair
    } else {
        out += static_cast<char>(0xE0 | (c >> 12));
        out += static_cast<char>(0x80 | ((c >> 6) & 0x3F));
        out += static_cast<char>(0x80 | (c & 0x3F));
    }
}

/// Length of the valid UTF-8 sequence at `at`, 0 for none.
std::size_t sequence_length(std::string_view s, std::size_t at) {
    const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(s[i]); };
    const unsigned char first = byte(at);
    const std::size_t n = first < 0x80                    ? 1
                          : first >= 0xC2 && first < 0xE0 ? 2
                          : first >= 0xE0 && first < 0xF0 ? 3
                          : first >= 0xF0 && first < 0xF5 ? 4
                                                          : 0;
    if (n == 0 || at + n > s.size()) return 0;
    for (std::size_t i = 1; i < n; ++i)
        if ((byte(at + i) & 0xC0) != 0x80) return 0;
    if (n == 3 && first == 0xE0 && byte(at + 1) < 0xA0) return 0;
    if (n == 3 && first == 0xED && byte(at + 1) >= 0xA0) return 0;
    if (n == 4 && ((first == 0xF0 && byte(at + 1) < 0x90) || (first == 0xF4 && byte(at + 1) >= 0x90)))
        return 0;
    return n;
}

bool is_utf8(std::string_view s) {
    for (std::size_t at = 0; at < s.size();) {
        const std::size_t n = sequence_length(s, at);
        if (n == 0) return false;
        at += n;
    }
    return true;
}

std::string only_utf8(std::string_view s) {
    std::string out;
    for (std::size_t at = 0; at < s.size();) {
        const std::size_t n = sequence_length(s, at);
        if (n == 0)
            out += '?';
        else
            out += s.substr(at, n);
        at += std::max<std::size_t>(n, 1);
    }
    return out;
}

std::string converted(std::string_view s, const std::string& page) {
    const iconv_t way = iconv_open("UTF-8", page.c_str());
    if (way == reinterpret_cast<iconv_t>(-1)) return only_utf8(s);
    std::string in(s), out(s.size() * 4 + 8, '\0');
    char *from = in.data(), *to = out.data();
    std::size_t left = in.size(), room = out.size();
    while (left > 0 && iconv(way, &from, &left, &to, &room) == static_cast<std::size_t>(-1)) {
        if (left == 0 || room < 8) break;
        *to++ = '?';
        --room;
        ++from;
        --left;
    }
    iconv_close(way);
    out.resize(static_cast<std::size_t>(to - out.data()));
    return out;
}

std::optional<std::uint32_t> hex4(std::string_view s) {
    std::uint32_t value = 0;
    if (s.size() < 4) return std::nullopt;
    const auto [end, fault] = std::from_chars(s.data(), s.data() + 4, value, 16);
    if (fault != std::errc() || end != s.data() + 4) return std::nullopt;
    return value;
}

std::string without_escapes(const std::string& s) {
    std::string out;
    for (std::size_t i = 0; i < s.size(); ++i) {
        if (s[i] == '\\' && i + 6 < s.size() && (s[i + 1] == 'U' || s[i + 1] == 'u') && s[i + 2] == '+')
            if (const auto c = hex4(std::string_view(s).substr(i + 3))) {
                append_utf8(out, *c);
                i += 6;
                continue;
            }
        out += s[i];
    }
    return out;
}

}  // namespace

DxfTextDecoder::DxfTextDecoder(std::string_view version, std::string_view code_page) {
    if (version >= "AC1021" && version.size() == 6) return;
    std::string digits;
    for (char c : code_page)
        if (std::isdigit(static_cast<unsigned char>(c))) digits += c;
    page_ = digits.empty() ? "" : "CP" + digits;
}

std::string DxfTextDecoder::decode(std::string_view s) const {
    if (std::all_of(s.begin(), s.end(), [](char c) { return static_cast<unsigned char>(c) < 0x80; }))
        return without_escapes(std::string(s));
    if (page_.empty()) return without_escapes(is_utf8(s) ? std::string(s) : converted(s, "CP1252"));
    return without_escapes(converted(s, page_));
}

std::string plain_text(const std::string& s) {
    std::string out;
    for (std::size_t i = 0; i < s.size(); ++i) {
        if (s[i] != '%' || i + 2 >= s.size() || s[i + 1] != '%') {
            out += s[i];
            continue;
        }
        switch (std::tolower(static_cast<unsigned char>(s[i + 2]))) {
            case 'd':
                append_utf8(out, 0xB0);
                break;
            case 'c':
                append_utf8(out, 0x2300);
                break;
            case 'p':
                append_utf8(out, 0xB1);
                break;
            case '%':
                out += '%';
                break;
            default:  // under- and overlining
                break;
        }
        i += 2;
    }
    return out;
}

std::string plain_mtext(const std::string& s) {
    std::string out;
    for (std::size_t i = 0; i < s.size(); ++i) {
        if (s[i] == '{' || s[i] == '}') continue;
        if (s[i] != '\\' || i + 1 >= s.size()) {
            out += s[i];
            continue;
        }
        const char code = s[++i];
        if (code == 'P' || code == 'X')
            out += '\n';
        else if (code == '~')
            out += ' ';
        else if (code == '\\' || code == '{' || code == '}')
            out += code;
        else if (std::string_view("ACFHQTWfpc").find(code) != std::string_view::npos)
            i = std::min(s.find(';', i), s.size() - 1);  // a setting ends at its semicolon
        else if (code == 'S') {                          // a stacked fraction
            const std::size_t end = std::min(s.find(';', i), s.size());
            for (++i; i < end; ++i) out += s[i] == '^' || s[i] == '#' ? '/' : s[i];
        }
    }
    return plain_text(out);
}

}  // namespace yemvo
