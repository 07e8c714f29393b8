// SPDX-License-Identifier: GPL-3.0-or-later
// Short texts that are painted again and again, laid out once: shaping takes longer than painting.
#pragma once
#include <QFont>
#include <QPainter>
#include <QStaticText>
#include <QString>

namespace yemvo::render {

struct LaidOutText {
    QFont font;
    QStaticText text;
    double width = 0, pixels = 0;
    void draw(QPainter& p, QPointF top_left) const {
        p.setFont(font);
        p.drawStaticText(top_left, text);
    }
};
/// Kept for the next time; for the window's thread.
const LaidOutText& laid_out(const QString&, double pixels, int weight = 400);
/// With an ellipsis where it is wider than that.
const LaidOutText& laid_out_within(const QString&, double width_px, double pixels, int weight = 400);

}  // namespace yemvo::render
