// SPDX-License-Identifier: GPL-3.0-or-later
// Draws the demo's floor plans as an architect would, into demo/drawings. Run by tools/sheets after the demo
// venue or its furniture changed; they are committed, since they stand for what a person is handed.
#include <QFile>
#include <QGuiApplication>
#include <QImage>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>
#include <cstdio>

#include "demo/demo.h"
#include "demo/furniture.h"

using namespace yemvo;

namespace {

constexpr double margin = demo::sheet_margin_m, px = demo::sheet_px_per_m;
constexpr double width = demo::building_width_m, depth = demo::building_depth_m;

/// What draws a sheet: in metres of the floor.
class Sheet {
public:
    virtual ~Sheet() = default;
    /// A CAD layer for what follows; nothing on paper.
    virtual void layer(const char*) {}
    virtual void pen(double px_wide, int grey, Qt::PenStyle style = Qt::SolidLine) = 0;
    virtual void fill(int grey) = 0;  ///< 255: white; -1: none
    virtual void polygon(const std::vector<Point>& points, bool closed) = 0;
    virtual void circle(Point centre, double radius_m) = 0;
    virtual void arc(Point hinge, double radius_m, double from_deg, double sweep_deg) = 0;
    virtual void text(Point centre, const QString& text, int size_px, bool upright = false) = 0;
    /// White behind words, where the sheet has colours.
    virtual void blank(const std::vector<Point>&) {}

    void line(Point a, Point b) { polygon({a, b}, false); }
    void arc(Point hinge, double radius_m, Point from, Point to) {
        const auto degrees = [&](Point p) { return std::atan2(p.y - hinge.y, p.x - hinge.x) * 180 / M_PI; };
        double sweep = degrees(to) - degrees(from);
        while (sweep > 180) sweep -= 360;
        while (sweep < -180) sweep += 360;
        arc(hinge, radius_m, degrees(from), sweep);
    }
};

/// On anything that can be painted on; `unit`: device units a picture pixel of 40 to the metre.
class PaintedSheet : public Sheet {
public:
    PaintedSheet(QPaintDevice* device, double unit, double depth_m) : depth_m_(depth_m), painter_(device) {
        painter_.setRenderHint(QPainter::Antialiasing);
        painter_.scale(unit, unit);
    }
    QPointF at(Point p) const { return {(p.x + margin) * px, (depth_m_ + margin - p.y) * px}; }
    void pen(double px_wide, int grey, Qt::PenStyle style) override {
        QPen p(QColor(grey, grey, grey), px_wide, style);
        p.setJoinStyle(Qt::MiterJoin);
        painter_.setPen(p);
    }
    void fill(int grey) override {
        painter_.setBrush(grey < 0 ? QBrush(Qt::NoBrush) : QColor(grey, grey, grey));
    }
    void polygon(const std::vector<Point>& points, bool closed) override {
        QPolygonF q;
        for (Point p : points) q << at(p);
        closed ? painter_.drawPolygon(q) : painter_.drawPolyline(q);
    }
    void circle(Point centre, double radius_m) override {
        painter_.drawEllipse(at(centre), radius_m * px, radius_m * px);
    }
    void arc(Point hinge, double radius_m, double from_deg, double sweep_deg) override {
        const QPointF c = at(hinge);
        const double r = radius_m * px;
        painter_.drawArc(QRectF(c.x() - r, c.y() - r, 2 * r, 2 * r), static_cast<int>(from_deg * 16),
                         static_cast<int>(sweep_deg * 16));
    }
    void text(Point centre, const QString& text, int size_px, bool upright) override {
        QFont font("Inter");
        font.setPixelSize(size_px);
        painter_.setFont(font);
        painter_.save();
        painter_.translate(at(centre));
        if (upright) painter_.rotate(-90);
        painter_.drawText(QRectF(-400, -40, 800, 80), Qt::AlignCenter, text);
        painter_.restore();
    }
    void blank(const std::vector<Point>& points) override {
        painter_.save();
        painter_.setPen(Qt::NoPen);
        painter_.setBrush(Qt::white);
        polygon(points, true);
        painter_.restore();
    }

private:
    double depth_m_;
    QPainter painter_;
};

/// A DXF of release 12 in millimetres: lines, closed polylines, arcs, circles and words by layer.
class CadSheet : public Sheet {
public:
    void layer(const char* name) override { layer_ = name; }
    void pen(double, int, Qt::PenStyle) override {}
    void fill(int) override {}
    void polygon(const std::vector<Point>& points, bool closed) override {
        if (points.size() == 2) {
            entity("LINE");
            place(10, points[0]);
            place(11, points[1]);
            return;
        }
        entity("POLYLINE");
        group(66, 1);
        group(70, closed ? 1 : 0);
        for (Point p : points) {
            entity("VERTEX");
            place(10, p);
        }
        entity("SEQEND");
    }
    void circle(Point centre, double radius_m) override {
        entity("CIRCLE");
        place(10, centre);
        group(40, radius_m * 1000);
    }
    void arc(Point hinge, double radius_m, double from_deg, double sweep_deg) override {
        entity("ARC");
        place(10, hinge);
        group(40, radius_m * 1000);
        group(50, sweep_deg < 0 ? from_deg + sweep_deg : from_deg);
        group(51, sweep_deg < 0 ? from_deg : from_deg + sweep_deg);
    }
    void text(Point centre, const QString& text, int size_px, bool upright) override {
        entity("TEXT");
        place(10, centre);
        group(40, size_px * 0.72 / px * 1000);
        QString escaped;
        for (QChar c : text)
            escaped += c.unicode() < 128 ? QString(c) : QString("\\U+%1").arg(c.unicode(), 4, 16, QChar('0'));
        words(1, escaped);
        if (upright) group(50, 90);
        group(72, 4);
        place(11, centre);
    }
    bool save(const QString& path) const {
        QFile file(path);
        if (!file.open(QIODevice::WriteOnly)) return false;
        QByteArray head =
            "0\nSECTION\n2\nHEADER\n9\n$ACADVER\n1\nAC1009\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n"
            "0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n70\n8\n";
        for (const char* name :
             {"WALLS", "DOORS", "WINDOWS", "FURNITURE", "ROOMS", "GRID", "LENGTHS", "TITLE"})
            head += QByteArray("0\nLAYER\n2\n") + name + "\n70\n0\n62\n7\n6\nCONTINUOUS\n";
        head += "0\nENDTAB\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
        return file.write(head + body_ + "0\nENDSEC\n0\nEOF\n") > 0;
    }

private:
    void words(int code, const QString& value) {
        body_ += QByteArray::number(code) + "\n" + value.toUtf8() + "\n";
    }
    void group(int code, double value) { words(code, QString::number(value, 'g', 10)); }
    void place(int code, Point p) {
        group(code, std::round(p.x * 1e6) / 1000);
        group(code + 10, std::round(p.y * 1e6) / 1000);
    }
    void entity(const char* type) {
        words(0, type);
        words(8, layer_);
    }
    QString layer_ = "0";
    QByteArray body_;
};

std::vector<Point> band(const Segment& s, double thickness_m, double extend_m = 0) {
    const Point along = unit(s.b - s.a), side = left_of(along) * (thickness_m / 2);
    const Point a = s.a - along * extend_m, b = s.b + along * extend_m;
    return {a + side, b + side, b - side, a - side};
}

void draw_opening(Sheet& sheet, const Wall& wall, const Opening& o, double thickness_m) {
    const Segment s = span(wall, o);
    const Point along = unit(s.b - s.a), side = left_of(along);
    sheet.layer(o.kind == OpeningKind::window ? "WINDOWS" : "DOORS");
    sheet.fill(255);
    sheet.pen(1.6, 40);
    sheet.polygon(band(s, thickness_m), true);
    sheet.fill(-1);
    if (o.kind == OpeningKind::window) {
        sheet.line(s.a, s.b);
        return;
    }
    const double swing = o.swings_left ? 1 : -1;
    const auto leaf = [&](Point hinge, Point toward, double leaf_m) {
        const Point open = hinge + side * (swing * leaf_m);
        sheet.pen(2.4, 40);
        sheet.line(hinge, open);
        sheet.pen(1.0, 110);
        sheet.arc(hinge, leaf_m, toward, open);
    };
    if (o.width_m > 1.3) {
        const Point middle = lerp(s.a, s.b, 0.5);
        leaf(s.a, middle, o.width_m / 2);
        leaf(s.b, middle, o.width_m / 2);
    } else {
        o.hinge_at_end ? leaf(s.b, s.a, o.width_m) : leaf(s.a, s.b, o.width_m);
    }
}

void draw_walls(Sheet& sheet, const Project& project, const Floor& floor) {
    sheet.layer("WALLS");
    for (const Wall& wall : *floor.walls) {
        const WallType& type = wall_type(project, wall.type);
        if (type.key == "shelving") continue;
        const bool heavy = type.family == Family::brick || type.family == Family::concrete;
        sheet.pen(1.6, 40);
        const int fill = type.family == Family::glass ? 255 : heavy ? 96 : 190;
        sheet.fill(fill);
        for (int i = 0; i < wall.pieces(); ++i)
            sheet.polygon(band(wall.piece(i), type.thickness_m, type.thickness_m / 2), true);
    }
    for (const Wall& wall : *floor.walls)
        for (const Opening& o : wall.openings)
            draw_opening(sheet, wall, o, wall_type(project, wall.type).thickness_m);
}

void draw_furniture(Sheet& sheet, const demo::Furniture& f) {
    sheet.layer("FURNITURE");
    sheet.fill(-1);
    sheet.pen(1.1, 130);
    for (const auto& o : f.outlines) sheet.polygon(o, true);
    for (const auto& l : f.lines) sheet.polygon(l, false);
    for (const auto& c : f.circles) sheet.circle(c.centre, c.radius_m);
    sheet.pen(1, 60);
    sheet.layer("ROOMS");
    for (const auto& l : f.labels) {
        const QString name = QString::fromStdString(l.name);
        QFont font("Inter");
        font.setPixelSize(20);
        const double w = QFontMetricsF(font).horizontalAdvance(name) / px / 2 + 0.15;
        sheet.blank({{l.at.x - w, l.at.y - 0.75},
                     {l.at.x + w, l.at.y - 0.75},
                     {l.at.x + w, l.at.y + 0.4},
                     {l.at.x - w, l.at.y + 0.4}});
        sheet.text(l.at, name, 20);
        sheet.text(l.at - Point{0, 0.55}, QString("%1 m²").arg(l.area_m2, 0, 'f', 1), 16);
    }
}

/// Axes with their names, lengths between them, and the title.
void draw_frame(Sheet& sheet, const std::vector<double>& columns, const std::vector<double>& rows,
                const QString& title) {
    const double right = columns.back(), top = rows.back();
    sheet.layer("GRID");
    sheet.pen(1.0, 150, Qt::DashDotLine);
    for (double x : columns) sheet.line({x, -3.2}, {x, top + 2.6});
    for (double y : rows) sheet.line({-3.2, y}, {right + 2.6, y});
    sheet.pen(1.4, 70);
    sheet.fill(255);
    for (std::size_t i = 0; i < columns.size(); ++i) {
        sheet.circle({columns[i], top + 3.3}, 0.7);
        sheet.text({columns[i], top + 3.3}, QString(QChar('A' + static_cast<int>(i))), 26);
    }
    for (std::size_t i = 0; i < rows.size(); ++i) {
        sheet.circle({right + 3.3, rows[i]}, 0.7);
        sheet.text({right + 3.3, rows[i]}, QString::number(i + 1), 26);
    }
    sheet.layer("LENGTHS");
    for (std::size_t i = 0; i + 1 < columns.size(); ++i) {
        sheet.line({columns[i], -2.2}, {columns[i + 1], -2.2});
        for (double x : {columns[i], columns[i + 1]}) sheet.line({x - 0.2, -2.4}, {x + 0.2, -2.0});
        sheet.text({(columns[i] + columns[i + 1]) / 2, -1.7},
                   QString::number(columns[i + 1] - columns[i], 'f', 2), 22);
    }
    for (std::size_t i = 0; i + 1 < rows.size(); ++i) {
        sheet.line({-2.2, rows[i]}, {-2.2, rows[i + 1]});
        for (double y : {rows[i], rows[i + 1]}) sheet.line({-2.4, y - 0.2}, {-2.0, y + 0.2});
        sheet.text({-2.65, (rows[i] + rows[i + 1]) / 2}, QString::number(rows[i + 1] - rows[i], 'f', 2), 22,
                   true);
    }
    sheet.layer("TITLE");
    sheet.text({right - 9, -3.6}, title, 30);
    sheet.text({right - 9, -4.4}, "Larkfield Library    scale 1:100    lengths in metres", 20);
}

void draw_library(Sheet& sheet, const Project& project, const char* floor, const demo::Furniture& furniture,
                  const QString& title) {
    draw_frame(sheet, {0, 16, 24, 35, 43, 60}, {0, 14, 20, 29, 35}, title);
    draw_furniture(sheet, furniture);
    draw_walls(sheet, project, *find_floor(project, floor));
}

void draw_garden(Sheet& sheet, const Project& project) {
    const Floor& floor = *find_floor(project, "Garden");
    draw_frame(sheet, {0, 11, 28}, {0, 8, 20, 33}, "GARDEN");
    sheet.fill(-1);
    sheet.pen(1.1, 150, Qt::DashLine);
    for (const Zone& z : *floor.zones) {
        sheet.polygon(z.outline, true);
        sheet.text(centroid(z.outline), QString::fromStdString(z.name), 20);
    }
    draw_walls(sheet, project, floor);
}

bool ground_dxf(const Project& project, const QString& path) {
    CadSheet sheet;
    draw_library(sheet, project, "Ground floor", demo::ground_furniture(), "GROUND FLOOR");
    return sheet.save(path);
}

bool floor_pdf(const Project& project, const char* floor, const demo::Furniture& furniture,
               const QString& title, const QString& path) {
    constexpr double mm_a_metre = 10;   // 1:100
    constexpr int dots_an_inch = 1016;  // a picture pixel is ten dots: 40 to the metre
    QPdfWriter pdf(path);
    pdf.setTitle(floor);
    pdf.setResolution(dots_an_inch);
    pdf.setPageMargins(QMarginsF(0, 0, 0, 0));
    pdf.setPageSize(
        QPageSize(QSizeF(width + 2 * margin, depth + 2 * margin) * mm_a_metre, QPageSize::Millimeter));
    PaintedSheet sheet(&pdf, mm_a_metre * dots_an_inch / 25.4 / px, depth);
    draw_library(sheet, project, floor, furniture, title);
    return true;
}

bool garden_png(const Project& project, const QString& path) {
    QImage image(static_cast<int>((demo::garden_width_m + 2 * margin) * px),
                 static_cast<int>((demo::garden_depth_m + 2 * margin) * px), QImage::Format_Grayscale8);
    image.fill(Qt::white);
    {
        PaintedSheet sheet(&image, 1, demo::garden_depth_m);
        draw_garden(sheet, project);
    }
    return image.save(path, "PNG");
}

}  // namespace

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QGuiApplication app(argc, argv);
    if (argc != 2) {
        std::fprintf(stderr, "usage: yemvo_sheets FOLDER\n");
        return 2;
    }
    const Project project = demo::compose_venue();
    const QString folder = QString::fromLocal8Bit(argv[1]) + "/";
    const bool done = ground_dxf(project, folder + "library-ground.dxf") &&
                      floor_pdf(project, "First floor", demo::first_furniture(), "FIRST FLOOR",
                                folder + "library-first.pdf") &&
                      floor_pdf(project, "Second floor", demo::second_furniture(), "SECOND FLOOR",
                                folder + "library-second.pdf") &&
                      floor_pdf(project, "Basement", demo::basement_furniture(), "BASEMENT",
                                folder + "library-basement.pdf") &&
                      garden_png(project, folder + "library-garden.png");
    return done ? 0 : 2;
}
