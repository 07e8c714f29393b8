// Draws the demo's floor plans as an architect would, into demo/drawings. Run by tools/sheets after the demo
// venue or its furniture changed; the pictures are committed, since they stand for what a person is handed.
#include <QFontDatabase>
#include <QGuiApplication>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <cstdio>

#include "demo/demo.h"
#include "demo/furniture.h"

using namespace yemvo;

namespace {

constexpr double margin = demo::sheet_margin_m, px = demo::sheet_px_per_m;
constexpr double width = demo::building_width_m, depth = demo::building_depth_m;

class Sheet {
public:
    Sheet()
        : image_(static_cast<int>((width + 2 * margin) * px), static_cast<int>((depth + 2 * margin) * px),
                 QImage::Format_Grayscale8) {
        image_.fill(Qt::white);
        painter_.begin(&image_);
        painter_.setRenderHint(QPainter::Antialiasing);
    }
    QPointF at(Point p) const { return {(p.x + margin) * px, (depth + margin - p.y) * px}; }
    void pen(double mm, int grey, Qt::PenStyle style = Qt::SolidLine) {
        QPen p(QColor(grey, grey, grey), mm, style);
        p.setJoinStyle(Qt::MiterJoin);
        painter_.setPen(p);
    }
    void line(Point a, Point b) { painter_.drawLine(at(a), at(b)); }
    void polygon(const std::vector<Point>& points, bool closed) {
        QPolygonF q;
        for (Point p : points) q << at(p);
        closed ? painter_.drawPolygon(q) : painter_.drawPolyline(q);
    }
    void circle(Point centre, double radius_m) {
        painter_.drawEllipse(at(centre), radius_m * px, radius_m * px);
    }
    void arc(Point hinge, double radius_m, Point from, Point to) {
        const auto degrees = [&](Point p) { return std::atan2(p.y - hinge.y, p.x - hinge.x) * 180 / M_PI; };
        double sweep = degrees(to) - degrees(from);
        while (sweep > 180) sweep -= 360;
        while (sweep < -180) sweep += 360;
        const QPointF c = at(hinge);
        const double r = radius_m * px;
        painter_.drawArc(QRectF(c.x() - r, c.y() - r, 2 * r, 2 * r), static_cast<int>(degrees(from) * 16),
                         static_cast<int>(sweep * 16));
    }
    void text(Point centre, const QString& text, int size_px, bool upright = false) {
        QFont font("Inter");
        font.setPixelSize(size_px);
        painter_.setFont(font);
        painter_.save();
        painter_.translate(at(centre));
        if (upright) painter_.rotate(-90);
        painter_.drawText(QRectF(-400, -40, 800, 80), Qt::AlignCenter, text);
        painter_.restore();
    }
    QPainter& painter() { return painter_; }
    bool save(const QString& path) {
        painter_.end();
        return image_.save(path, "PNG");
    }

private:
    QImage image_;
    QPainter painter_;
};

std::vector<Point> band(const Segment& s, double thickness_m, double extend_m = 0) {
    const Point along = unit(s.b - s.a), side = left_of(along) * (thickness_m / 2);
    const Point a = s.a - along * extend_m, b = s.b + along * extend_m;
    return {a + side, b + side, b - side, a - side};
}

void draw_opening(Sheet& sheet, const Wall& wall, const Opening& o, double thickness_m) {
    const Segment s = span(wall, o);
    const Point along = unit(s.b - s.a), side = left_of(along);
    sheet.painter().setBrush(Qt::white);
    sheet.pen(1.6, 40);
    sheet.polygon(band(s, thickness_m), true);
    sheet.painter().setBrush(Qt::NoBrush);
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
    for (const Wall& wall : *floor.walls) {
        const WallType& type = wall_type(project, wall.type);
        if (type.key == "shelving") continue;
        const bool heavy = type.family == Family::brick || type.family == Family::concrete;
        sheet.pen(1.6, 40);
        const int fill = type.family == Family::glass ? 255 : heavy ? 96 : 190;
        sheet.painter().setBrush(QColor(fill, fill, fill));
        for (int i = 0; i < wall.pieces(); ++i)
            sheet.polygon(band(wall.piece(i), type.thickness_m, type.thickness_m / 2), true);
    }
    for (const Wall& wall : *floor.walls)
        for (const Opening& o : wall.openings)
            draw_opening(sheet, wall, o, wall_type(project, wall.type).thickness_m);
}

void draw_furniture(Sheet& sheet, const demo::Furniture& f) {
    sheet.painter().setBrush(Qt::NoBrush);
    sheet.pen(1.1, 130);
    for (const auto& o : f.outlines) sheet.polygon(o, true);
    for (const auto& l : f.lines) sheet.polygon(l, false);
    for (const auto& c : f.circles) sheet.circle(c.centre, c.radius_m);
    sheet.pen(1, 60);
    for (const auto& l : f.labels) {
        const QString name = QString::fromStdString(l.name);
        QFont font("Inter");
        font.setPixelSize(20);
        const double w = QFontMetricsF(font).horizontalAdvance(name) / px / 2 + 0.15;
        sheet.painter().save();
        sheet.painter().setPen(Qt::NoPen);
        sheet.painter().setBrush(Qt::white);
        sheet.polygon({{l.at.x - w, l.at.y - 0.75},
                       {l.at.x + w, l.at.y - 0.75},
                       {l.at.x + w, l.at.y + 0.4},
                       {l.at.x - w, l.at.y + 0.4}},
                      true);
        sheet.painter().restore();
        sheet.text(l.at, name, 20);
        sheet.text(l.at - Point{0, 0.55}, QString("%1 m²").arg(l.area_m2, 0, 'f', 1), 16);
    }
}

void draw_frame(Sheet& sheet, const QString& title) {
    const double columns[] = {0, 16, 24, 35, 43, 60}, rows[] = {0, 14, 20, 29, 35};
    sheet.pen(1.0, 150, Qt::DashDotLine);
    for (double x : columns) sheet.line({x, -3.2}, {x, depth + 2.6});
    for (double y : rows) sheet.line({-3.2, y}, {width + 2.6, y});
    sheet.pen(1.4, 70);
    sheet.painter().setBrush(Qt::white);
    for (int i = 0; i < 6; ++i) {
        sheet.circle({columns[i], depth + 3.3}, 0.7);
        sheet.text({columns[i], depth + 3.3}, QString(QChar('A' + i)), 26);
    }
    for (int i = 0; i < 5; ++i) {
        sheet.circle({width + 3.3, rows[i]}, 0.7);
        sheet.text({width + 3.3, rows[i]}, QString::number(i + 1), 26);
    }
    for (int i = 0; i + 1 < 6; ++i) {
        sheet.line({columns[i], -2.2}, {columns[i + 1], -2.2});
        for (double x : {columns[i], columns[i + 1]}) sheet.line({x - 0.2, -2.4}, {x + 0.2, -2.0});
        sheet.text({(columns[i] + columns[i + 1]) / 2, -1.7},
                   QString::number(columns[i + 1] - columns[i], 'f', 2), 22);
    }
    for (int i = 0; i + 1 < 5; ++i) {
        sheet.line({-2.2, rows[i]}, {-2.2, rows[i + 1]});
        for (double y : {rows[i], rows[i + 1]}) sheet.line({-2.4, y - 0.2}, {-2.0, y + 0.2});
        sheet.text({-2.65, (rows[i] + rows[i + 1]) / 2}, QString::number(rows[i + 1] - rows[i], 'f', 2), 22,
                   true);
    }
    sheet.text({51, -3.6}, title, 30);
    sheet.text({51, -4.4}, "Larkfield Library    scale 1:100    lengths in metres", 20);
}

bool draw(const Project& project, const char* floor, const demo::Furniture& furniture, const QString& title,
          const QString& path) {
    Sheet sheet;
    draw_frame(sheet, title);
    draw_furniture(sheet, furniture);
    draw_walls(sheet, project, *find_floor(project, floor));
    return sheet.save(path);
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
    const bool done =
        draw(project, "Ground floor", demo::ground_furniture(), "GROUND FLOOR",
             folder + "library-ground.png") &&
        draw(project, "First floor", demo::first_furniture(), "FIRST FLOOR", folder + "library-first.png");
    return done ? 0 : 2;
}
