// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/text_style.h"

#include <QHash>
#include <QLocale>
#include <QMutex>
#include <QPainterPath>

#include "base/number_text.h"

namespace yemvo::render {

int& PrintType::depth() {
    thread_local int depth = 0;
    return depth;
}

QFont font(double pixels, int weight) {
    QFont f(PrintType::is_on() ? "Open Sans" : "Inter");
    f.setStyleHint(QFont::SansSerif);
    if (PrintType::is_on()) {
        f.setHintingPreference(QFont::PreferNoHinting);
        f.setLetterSpacing(QFont::AbsoluteSpacing, 0.03);  // no ligatures, which a search would miss
    }
    f.setPixelSize(std::max(1, static_cast<int>(std::lround(pixels))));
    f.setWeight(static_cast<QFont::Weight>(weight));
    return f;
}

namespace {

/// A text with its halo as a picture: stroking glyph outlines costs far more than drawing a picture of them,
/// and the same few texts are drawn in every frame.
QImage halo_picture(const QString& text, const QFont& f, const QColor& ink, const QColor& casing,
                    double halo_px, qreal ratio) {
    static QMutex mutex;
    static QHash<QString, QImage> kept;
    constexpr int most_kept = 400;
    const QString key = QString("%1|%2|%3|%4|%5|%6")
                            .arg(text, f.key())
                            .arg(ink.rgba())
                            .arg(casing.rgba())
                            .arg(halo_px)
                            .arg(ratio);
    const QMutexLocker lock(&mutex);
    if (const auto found = kept.constFind(key); found != kept.constEnd()) return *found;
    const QFontMetricsF metrics(f);
    const QSizeF size(metrics.horizontalAdvance(text) + 2 * halo_px + 2, metrics.height() + 2 * halo_px + 2);
    QImage picture((size * ratio).toSize(), QImage::Format_ARGB32_Premultiplied);
    picture.setDevicePixelRatio(ratio);
    picture.fill(Qt::transparent);
    QPainter p(&picture);
    p.setRenderHint(QPainter::Antialiasing);
    const QPointF base(std::ceil(halo_px), std::ceil(halo_px + metrics.ascent()));
    QPainterPath path;
    path.addText(base, f, text);
    p.setPen(QPen(casing, halo_px, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.drawPath(path);
    p.setFont(f);
    p.setPen(ink);
    p.drawText(base, text);
    p.end();
    if (kept.size() >= most_kept) kept.clear();
    kept.insert(key, picture);
    return picture;
}

}  // namespace

void draw_halo_text(QPainter& p, QPointF at, const QString& text, const QFont& f, const QColor& ink,
                    const QColor& casing, double halo_px, Qt::Alignment alignment) {
    const QFontMetricsF metrics(f);
    const double width = metrics.horizontalAdvance(text);
    double x = at.x();
    if (alignment & Qt::AlignHCenter) x -= width / 2;
    if (alignment & Qt::AlignRight) x -= width;
    const double y = at.y() + metrics.capHeight() / 2;
    if (PrintType::is_on()) {
        QPainterPath path;
        path.addText(QPointF(x, y), f, text);
        p.strokePath(path, QPen(casing, halo_px, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        p.setFont(f);
        p.setPen(ink);
        p.drawText(QPointF(x, y), text);
        return;
    }
    const QPointF base(std::ceil(halo_px), std::ceil(halo_px + metrics.ascent()));
    p.drawImage(QPointF(std::round(x), std::round(y)) - base,
                halo_picture(text, f, ink, casing, halo_px, p.device()->devicePixelRatioF()));
}

void draw_tag(QPainter& p, const QRectF& box, const QString& words, const QFont& font, const QColor& ground,
              const QColor& ink) {
    p.setPen(Qt::NoPen);
    p.setBrush(ground);
    p.drawRoundedRect(box, 3, 3);
    p.setPen(ink);
    p.setFont(font);
    p.drawText(box, Qt::AlignCenter, words);
}

double tag_width(const QString& words, const QFont& font) {
    return QFontMetricsF(font).horizontalAdvance(words) + 13;
}

QString local(const std::string& text) {
    QString out = QString::fromStdString(text);
    // a hyphen before a number is a minus, between two words or numbers it stays what it is
    for (qsizetype i = 0; i + 1 < out.size(); ++i)
        if (out[i] == '-' && out[i + 1].isDigit() && (i == 0 || out[i - 1].isSpace() || out[i - 1] == '('))
            out[i] = QChar(0x2212);
    const QString sign = QLocale().decimalPoint();
    if (sign == ".") return out;
    for (qsizetype i = out.size() - 2; i > 0; --i)
        if (out[i] == '.' && out[i - 1].isDigit() && out[i + 1].isDigit()) out.replace(i, 1, sign);
    return out;
}

std::string plain(const QString& text) {
    QString out;
    const QString sign = QLocale().decimalPoint();
    for (const QChar c : text) {
        if (c.digitValue() >= 0 && c.isDigit())
            out += QChar('0' + c.digitValue());
        else if (c == QChar(0x2212))
            out += '-';
        else if (c == ',' || c == QChar(0x066B) || (!sign.isEmpty() && c == sign[0]))
            out += '.';
        else
            out += c;
    }
    return out.toStdString();
}

QString figure(double value, int decimals) { return local(format_number(value, decimals)); }

QString percent(double share, int decimals) { return local(format_percent(share, decimals)); }

QString share_figure(double share, int decimals) { return percent(share, decimals).chopped(2); }

}  // namespace yemvo::render
