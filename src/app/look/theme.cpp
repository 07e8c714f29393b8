// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/theme.h"

#include <QApplication>
#include <QFile>
#include <QIconEngine>
#include <QPainter>
#include <QPalette>
#include <QPixmapCache>
#include <QProxyStyle>
#include <QSvgRenderer>
#include <QWidget>

#include "app/look/access.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

static bool dark_chosen = false;
static constexpr const char* dress_property = "dress";

const render::Palette& theme() { return dark_chosen ? render::Palette::dark() : render::Palette::light(); }
bool is_dark() { return dark_chosen; }

static QString coloured(QString s, const render::Palette& p);

static QString style_sheet(const render::Palette& p) {
    const QString s = R"(
* { font-family: Inter; font-size: 13px; color: @ink; }
QMainWindow, QDialog { background: @chrome; }
QWidget#chrome, QFrame#chrome { background: @chrome; }
QMenuBar { background: transparent; spacing: 0; }
QMenuBar::item { padding: 5px 7px; border-radius: 4px; background: transparent; }
QMenuBar::item:selected { background: @accentTint; }
QMenu { background: @field; border: 1px solid @line; padding: 4px 0; }
QMenu::item { padding: 5px 28px 5px 22px; }
QMenu::item:selected { background: @accentTint; color: @ink; }
QMenu::item:disabled { color: @muted; }
QMenu::separator { height: 1px; background: @line; margin: 4px 0; }
QLineEdit, QSpinBox { background: @field; border: 1px solid @edge; border-radius: 4px; padding: 0 6px; font-size: 12.5px;
  min-height: 20px; max-height: 20px; selection-background-color: @accent; selection-color: @onAccent; }
QLineEdit:focus { border: 1.5px solid @accent; }
QLineEdit[fault="true"] { border: 1.5px solid @notMet; background: @notMetTint; }
QLineEdit:disabled { background: @chrome; color: @muted; }
QComboBox { background: @field; border: 1px solid @edge; border-radius: 4px; padding: 0 4px 0 7px; font-size: 12.5px;
  min-height: 20px; max-height: 20px; }
QComboBox#barCombo { border-radius: 5px; min-height: 24px; max-height: 24px; font-size: 13px; font-weight: 600; }
QComboBox:focus { border: 1.5px solid @accent; }
QComboBox::drop-down { border: 0; width: 18px; }
QComboBox::down-arrow { image: url(:/icons/chevron.svg); width: 11px; height: 11px; }
QComboBox QAbstractItemView { background: @field; border: 1px solid @line; selection-background-color: @accentTint;
  selection-color: @ink; outline: 0; padding: 2px; }
QPushButton { background: @button; border: 1px solid @line; border-radius: 5px; padding: 0 11px; min-height: 24px; max-height: 24px; }
QPushButton:hover { border-color: @accent; }
QPushButton:focus { border: 1.5px solid @accent; }
QPushButton:disabled { color: @muted; background: @chrome; }
QPushButton#main { background: @accent; color: @onAccent; border: 1px solid @accent; font-weight: 600; }
QPushButton#main:disabled { background: @muted; border-color: @muted; }
QToolButton { border: 0; border-radius: 5px; background: transparent; }
QToolButton:hover { background: @accentTint; }
QPushButton:checked { background: @accentTint; color: @accent; border-color: @accent; font-weight: 600; }
QTableCornerButton::section { background: @paper; border: 0; }
QToolButton:checked { background: @accent; }
QToolButton:focus { border: 1.5px solid @accent; }
QToolButton:checked:focus { border: 1.5px solid @ink; }
QToolButton#barWords { background: transparent; border: 0; color: @muted; padding: 0 4px; font-size: 12.5px; }
QToolButton#barWords:hover { color: @accent; text-decoration: underline; }
QToolButton#segment { background: @field; border: 1px solid @line; border-radius: 0; padding: 0 8px; min-height: 24px; max-height: 24px; }
QToolButton#slimSegment { background: @field; border: 1px solid @line; border-radius: 0; padding: 0 7px; min-height: 24px; max-height: 24px; }
QToolButton#slimSegment:checked { background: @accentTint; color: @accent; font-weight: 600; }
QToolButton#slimSegment[popupMode="1"] { padding-right: 20px; }
QToolButton#slimSegment[popupMode="2"] { padding-right: 16px; }
QToolButton#segment:checked { background: @accentTint; color: @accent; font-weight: 600; }
QCheckBox::indicator { width: 13px; height: 13px; border: 1px solid @muted; border-radius: 3px; background: @field; }
QCheckBox::indicator:checked { background: @accent; border-color: @accent; image: url(:/icons/tick.svg); }
QLabel#muted { color: @muted; font-size: 12px; }
QLabel#groupTitle { font-size: 12.5px; font-weight: 600; }
QTableWidget#terms { background: @paper; font-size: 12px; }
QTableWidget#terms::item { padding: 0 2px; border: 0; }
QTableWidget#terms QHeaderView::section { padding: 0 2px; font-size: 11px; }
QListWidget#heard { background: @paper; border: 0; }
QLabel#small { color: @muted; font-size: 11px; }
QLabel#head { font-weight: 600; }
QLabel#title { font-size: 15px; font-weight: 650; }
QLabel#fault { color: @notMet; }
QLabel#row { color: @muted; font-size: 12.5px; }
QLabel#figure { font-size: 17px; font-weight: 650; }
QTableView { background: @paper; border: 0; gridline-color: @line2; font-size: 12.5px; selection-background-color: @accentTint;
  selection-color: @ink; alternate-background-color: @paper; }
QTableView::item { padding: 0 8px; border: 0; border-bottom: 1px solid @line2; }
QTableView::item:selected { background: @accentTint; color: @ink; }
QTableView QLineEdit { border-radius: 0; min-height: 0; max-height: 100px; }
QHeaderView { background: @paper; }
QHeaderView::section { background: @paper; border: 0; border-bottom: 1px solid @line; padding: 3px 8px; font-size: 11px; color: @muted; }
QScrollArea { border: 0; background: transparent; }
QScrollBar:vertical { width: 9px; background: transparent; }
QScrollBar:horizontal { height: 9px; background: transparent; }
QScrollBar::handle { background: @line; border-radius: 4px; min-height: 24px; min-width: 24px; }
QScrollBar::handle:hover { background: @muted; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QScrollBar::add-page, QScrollBar::sub-page { background: transparent; }
QToolTip { background: @ink; color: @paper; border: 0; padding: 4px 6px; font-size: 12px; }
)";
    return coloured(s, p);
}

static QString coloured(QString s, const render::Palette& p) {
    const std::pair<const char*, QColor> names[] = {{"@accentTint", p.accent_tint},
                                                    {"@accent", p.accent},
                                                    {"@onAccent", p.on_accent},
                                                    {"@notMetTint", p.not_met_tint},
                                                    {"@notMet", p.not_met},
                                                    {"@chrome", p.chrome},
                                                    {"@field", p.field},
                                                    {"@edge", p.edge},
                                                    {"@line2", p.line2},
                                                    {"@line", p.line},
                                                    {"@ink", p.ink},
                                                    {"@muted", p.muted},
                                                    {"@paper", p.paper},
                                                    {"@tile", p.tile},
                                                    {"@button", p.button}};
    for (const auto& [name, colour] : names) s.replace(name, colour.name());
    return s;
}

namespace {

/// Menus keep their Alt keys without showing an underline all day.
class CalmStyle : public QProxyStyle {
public:
    CalmStyle() : QProxyStyle("Fusion") {}
    int styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                  QStyleHintReturn* data) const override {
        return hint == SH_UnderlineShortcut ? 0 : QProxyStyle::styleHint(hint, option, widget, data);
    }
};

}  // namespace

void dress(QWidget* widget, const QString& sheet) {
    widget->setProperty(dress_property, sheet);
    widget->setStyleSheet(coloured(sheet, theme()));
}

void choose_theme(bool dark) {
    dark_chosen = dark;
    apply_theme(*qobject_cast<QApplication*>(QCoreApplication::instance()));
    for (QWidget* widget : QApplication::allWidgets()) {
        const QVariant sheet = widget->property(dress_property);
        if (sheet.isValid()) widget->setStyleSheet(coloured(sheet.toString(), theme()));
        widget->update();
    }
}

void apply_theme(QApplication& app) {
    make_accessible(app);
    app.setStyle(new CalmStyle);
    app.setFont(render::font(13));
    const auto& p = theme();
    QPalette colours;
    colours.setColor(QPalette::Window, p.chrome);
    colours.setColor(QPalette::WindowText, p.ink);
    colours.setColor(QPalette::Base, p.field);
    colours.setColor(QPalette::Text, p.ink);
    colours.setColor(QPalette::Button, p.button);
    colours.setColor(QPalette::ButtonText, p.ink);
    colours.setColor(QPalette::Highlight, p.accent);
    colours.setColor(QPalette::HighlightedText, p.on_accent);
    colours.setColor(QPalette::PlaceholderText, p.muted);
    app.setPalette(colours);
    app.setStyleSheet(style_sheet(p));
}

QPixmap icon_pixmap(const QString& name, const QColor& colour, int size, qreal ratio) {
    QFile file(":/icons/" + name + ".svg");
    QByteArray svg;
    if (file.open(QIODevice::ReadOnly)) svg = file.readAll();
    svg.replace("currentColor", colour.name().toUtf8());
    QSvgRenderer renderer(svg);
    QPixmap pixmap(QSize(size, size) * ratio);
    pixmap.fill(Qt::transparent);
    QPainter painter(&pixmap);
    renderer.render(&painter);
    painter.end();
    pixmap.setDevicePixelRatio(ratio);
    return pixmap;
}

namespace {

/// Drawn at the very size that is asked for, so that it is sharp at every scale of the desktop.
class DrawnIcon : public QIconEngine {
public:
    DrawnIcon(const QString& name, const QColor& colour) : name_(name), colour_(colour) {}
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State) override {
        const QString key = tr("icon %1 %2 %3 %4")
                                .arg(name_, colour_.name())
                                .arg(std::min(size.width(), size.height()))
                                .arg(static_cast<int>(mode));
        QPixmap drawn;
        if (QPixmapCache::find(key, &drawn)) return drawn;
        QColor ink = colour_;
        if (mode == QIcon::Disabled) ink = theme().muted;
        drawn = icon_pixmap(name_, ink, std::min(size.width(), size.height()), 1);
        QPixmapCache::insert(key, drawn);
        return drawn;
    }
    void paint(QPainter* p, const QRect& rect, QIcon::Mode mode, QIcon::State state) override {
        const qreal ratio = p->device()->devicePixelRatioF();
        QPixmap drawn = pixmap(rect.size() * ratio, mode, state);
        drawn.setDevicePixelRatio(ratio);
        p->drawPixmap(rect, drawn);
    }
    QIconEngine* clone() const override { return new DrawnIcon(name_, colour_); }

private:
    QString name_;
    QColor colour_;
};

}  // namespace

QIcon icon(const QString& name, const QColor& colour) { return QIcon(new DrawnIcon(name, colour)); }

}  // namespace yemvo::app
