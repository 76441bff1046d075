import { PRODUCTS } from "@sprunel/core/feed";
import { Router } from "express";

export function productRoutes(): Router {
  const router = Router();
  router.get("/api/products", (_req, res) => {
    res.json({ products: PRODUCTS });
  });
  return router;
}
