// SPDX-License-Identifier: GPL-3.0-or-later
// Type: Inter at pixel sizes, and text with a halo for maps.
#pragma once
#include <QFont>
#include <QPainter>
#include <QString>
#include <string>

namespace yemvo::render {

QFont font(double pixels, int weight = 400);

/// While it lives, this thread's texts are set for print: in a family all of whose signs can be searched and
/// copied in a PDF, not bent to a screen's pixels.
class PrintType {
public:
    PrintType() { ++depth(); }
    ~PrintType() { --depth(); }
    PrintType(const PrintType&) = delete;
    PrintType& operator=(const PrintType&) = delete;
    static bool is_on() { return depth() > 0; }

private:
    static int& depth();
};

/// Text centred on (or, with alignment, beside) a point over a halo of the colour `casing`.
void draw_halo_text(QPainter&, QPointF at, const QString&, const QFont&, const QColor& ink,
                    const QColor& casing, double halo_px = 3.4, Qt::Alignment = Qt::AlignCenter);

/// Words in a small box of one colour, as tags of handles, snaps and values are. `ground`: of the box.
void draw_tag(QPainter&, const QRectF& box, const QString&, const QFont&, const QColor& ground,
              const QColor& ink);
/// How wide such a box is.
double tag_width(const QString&, const QFont&);
inline constexpr double tag_height = 20;

/// Text with numbers that the core has written, as the desktop writes them: its decimal sign.
QString local(const std::string&);
/// What a person typed, as the core reads it: any digits, the desktop's or any decimal sign, any minus.
std::string plain(const QString&);
/// A figure with a true minus and the given decimals, as the desktop writes it.
QString figure(double value, int decimals = 0);
/// "92.1 %"
QString percent(double share, int decimals = 1);
/// The same without its sign, for columns that have it in their head.
QString share_figure(double share, int decimals = 1);

}  // namespace yemvo::render
