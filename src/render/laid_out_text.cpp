// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/laid_out_text.h"

#include <QFontMetricsF>
#include <map>
#include <tuple>

#include "render/text_style.h"

namespace yemvo::render {

const LaidOutText& laid_out(const QString& text, double pixels, int weight) {
    constexpr std::size_t most = 4000;
    thread_local std::map<std::tuple<QString, int, int, bool>, LaidOutText> known;
    if (known.size() > most) known.clear();
    const int tenths = static_cast<int>(pixels * 10);
    const auto [at, fresh] = known.try_emplace({text, tenths, weight, PrintType::is_on()});
    if (fresh) {
        LaidOutText& t = at->second;
        t.pixels = tenths / 10.0;
        t.font = font(t.pixels, weight);
        t.width = QFontMetricsF(t.font).horizontalAdvance(text);
        t.text.setText(text);
        t.text.setTextFormat(Qt::PlainText);
        t.text.prepare({}, t.font);
    }
    return at->second;
}

const LaidOutText& laid_out_within(const QString& text, double width_px, double pixels, int weight) {
    const LaidOutText& whole = laid_out(text, pixels, weight);
    if (whole.width <= width_px) return whole;
    return laid_out(QFontMetricsF(whole.font).elidedText(text, Qt::ElideRight, width_px), pixels, weight);
}

}  // namespace yemvo::render
