// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/drawings/sheet.h"

#include <algorithm>
#include <cctype>

#include "exchange/dxf_reader.h"

namespace yemvo::render {
namespace {

bool ends_with(const std::string& name, std::string_view ending) {
    if (name.size() < ending.size()) return false;
    return std::equal(ending.rbegin(), ending.rend(), name.rbegin(),
                      [](char a, char b) { return a == std::tolower(static_cast<unsigned char>(b)); });
}

}  // namespace

DrawingKind kind_of_file(const Bytes& bytes, const std::string& name) {
    if (bytes.empty())
        throw Error(say("the file is empty"), name,
                    say("Choose it again; it may not have been copied whole"));
    const std::string_view head(reinterpret_cast<const char*>(bytes.data()),
                                std::min<std::size_t>(bytes.size(), 4096));
    if (head.substr(0, 1024).find("%PDF-") != std::string_view::npos) return DrawingKind::pdf;
    if (head.find("<svg") != std::string_view::npos || head.find(":svg") != std::string_view::npos)
        return DrawingKind::svg;
    for (const std::string_view magic : {"\x89PNG", "\xff\xd8\xff", "RIFF", "II*", "MM", "GIF8", "BM"})
        if (head.starts_with(magic)) return DrawingKind::picture;
    if (looks_like_dxf(bytes)) return DrawingKind::dxf;
    if (ends_with(name, ".dxf")) return DrawingKind::dxf;
    if (ends_with(name, ".svg")) return DrawingKind::svg;
    if (ends_with(name, ".pdf")) return DrawingKind::pdf;
    for (const char* ending : {".png", ".jpg", ".jpeg", ".webp", ".tif", ".tiff"})
        if (ends_with(name, ending)) return DrawingKind::picture;
    throw Error(say("is no kind of drawing that can be read"), name,
                say("Choose a PNG, JPEG, WebP, TIFF, PDF, SVG or DXF file"));
}

std::shared_ptr<const Sheet> open_sheet(std::shared_ptr<const Bytes> bytes, DrawingKind kind, int page,
                                        const std::string& name, const CancelToken& cancel) {
    if (bytes->empty())
        throw Error(say("the file is empty"), name,
                    say("Choose it again; it may not have been copied whole"));
    switch (kind) {
        case DrawingKind::pdf:
            return open_pdf(std::move(bytes), page, name);
        case DrawingKind::svg:
            return open_svg(*bytes, name);
        case DrawingKind::dxf:
            return open_cad(*bytes, name, cancel);
        case DrawingKind::picture:
            break;
    }
    return open_picture(*bytes, page, name);
}

namespace {

/// Each pixel that is not wholly transparent becomes what `ink` makes of it.
template <class Ink>
void change_ink(QImage& image, const Ink& ink) {
    for (int y = 0; y < image.height(); ++y) {
        auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x)
            if (qAlpha(line[x]) != 0) line[x] = ink(line[x]);
    }
}

}  // namespace

void make_ink(QImage& image, bool inverted, double lighten) {
    const int keep = static_cast<int>(std::lround((1 - std::clamp(lighten, 0.0, 1.0)) * 256));
    change_ink(image, [&](QRgb c) {
        const int a = qAlpha(c);
        // over white; where the sheet itself is not there nothing is inverted into ink
        int r = qRed(c) + 255 - a, g = qGreen(c) + 255 - a, b = qBlue(c) + 255 - a;
        if (inverted) {
            r = 255 - qRed(c);
            g = 255 - qGreen(c);
            b = 255 - qBlue(c);
        }
        r = 255 - (((255 - r) * keep) >> 8);
        g = 255 - (((255 - g) * keep) >> 8);
        b = 255 - (((255 - b) * keep) >> 8);
        const int alpha = 255 - std::min({r, g, b});
        return qRgba(r - (255 - alpha), g - (255 - alpha), b - (255 - alpha), alpha);
    });
}

void swap_light_and_dark(QImage& image) {
    change_ink(image, [](QRgb c) {
        // the lightness of HSL is half of the least and the greatest part
        const auto [low, high] = std::minmax({qRed(c), qGreen(c), qBlue(c)});
        const int by = qAlpha(c) - low - high;
        return qRgba(qRed(c) + by, qGreen(c) + by, qBlue(c) + by, qAlpha(c));
    });
}

}  // namespace yemvo::render
