// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/styles.h"

namespace yemvo::render::report {

const Palette& print_palette() {
    static const Palette palette = [] {
        Palette p = Palette::light();
        p.paper = p.floor = QColor(Qt::white);
        p.casing = with_alpha(Qt::white, 0.85);
        return p;
    }();
    return palette;
}

const TextStyle& style(TextLook look) {
    static constexpr TextStyle heading{16, 650, false, 20, 22}, lead{15, 400, false, 8, 22},
        body{12.5, 400, false, 7, 18}, small{11, 400, true, 5, 15};
    switch (look) {
        case TextLook::heading:
            return heading;
        case TextLook::lead:
            return lead;
        case TextLook::body:
            return body;
        case TextLook::small:
            break;
    }
    return small;
}

}  // namespace yemvo::render::report
